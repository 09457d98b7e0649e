import type { MigrationInterface, QueryRunner } from 'typeorm';

/** As the core names them, with where a record has them. */
const FIGURES: Readonly<Record<string, string>> = {
  cutout: longest('basket'),
  flange: longest('flange'),
  flangeThickness: number(`"record" -> 'flangeThicknessMm'`),
  depth: number(`"record" -> 'mountingDepthMm'`),
  frontHeight: number(`"record" -> 'frontHeightMm'`),
  magnet: number(`"record" -> 'magnetDiameterMm'`),
  boltCircle: number(
    `CASE "record" #>> '{bolts,shape,kind}' WHEN 'circle' THEN "record" #> '{bolts,shape,diameterMm}' END`,
  ),
  mass: number(`"record" -> 'massG'`),
  impedance: number(`"record" -> 'impedanceOhm'`),
  power: number(`"record" -> 'rmsW'`),
  sensitivity: number(`"record" -> 'sensitivityDb'`),
};

/**
 * Figures of speakers as the database reads them out of a record, for lists that are narrowed and put in order by them: what was measured
 * in hand, or what the catalogue says; and what a piece costs. What is no number is none: no record is refused for it.
 */
export class PartFigures1764901300000 implements MigrationInterface {
  name = 'PartFigures1764901300000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE FUNCTION "json_number"("value" jsonb) RETURNS numeric LANGUAGE sql IMMUTABLE PARALLEL SAFE AS
      $$ SELECT CASE WHEN jsonb_typeof("value") = 'number' THEN "value"::text::numeric END $$`);
    const cases = Object.entries(FIGURES)
      .map(([figure, sql]) => `WHEN '${figure}' THEN ${sql}`)
      .join(' ');
    await runner.query(`CREATE FUNCTION "part_figure"("record" jsonb, "figure" text) RETURNS numeric
      LANGUAGE plpgsql IMMUTABLE PARALLEL SAFE AS $$
      DECLARE "in_hand" numeric;
      BEGIN
        IF "record" ->> 'kind' IS DISTINCT FROM 'speaker' THEN RETURN NULL; END IF;
        IF jsonb_typeof("record" -> 'inHand') = 'array' AND "record" -> 'inHand' <> '[]'::jsonb THEN
          SELECT avg("mean") INTO "in_hand" FROM (
            SELECT (SELECT avg("public"."json_number"("reading")) FROM jsonb_path_query("piece", '$[*]') AS "of"("reading")) AS "mean"
            FROM jsonb_path_query("record", '$.inHand[*] ? (@.figure == $figure).pieces[*]',
              jsonb_build_object('figure', "figure")) AS "pieces"("piece")) AS "means";
          IF "in_hand" IS NOT NULL THEN RETURN "in_hand"; END IF;
        END IF;
        RETURN CASE "figure" ${cases} END;
      END $$`);
    await runner.query(`CREATE FUNCTION "part_cost"("record" jsonb) RETURNS numeric LANGUAGE sql IMMUTABLE PARALLEL SAFE AS $$
      SELECT min(round("public"."json_number"("offer" -> 'packPriceMinor') / nullif("public"."json_number"("offer" -> 'packSize'), 0)))
        FROM jsonb_path_query("record", '$.offers[*]') AS "offers"("offer")
        WHERE coalesce(jsonb_typeof("offer" -> 'currency'), 'null') = 'null' $$`);
    for (const figure of Object.keys(FIGURES))
      await runner.query(
        `CREATE INDEX "part_by_${figure}" ON "part" ("part_figure"("record", '${figure}')) WHERE "kind" = 'speaker'`,
      );
    await runner.query(`CREATE INDEX "part_by_cost" ON "part" ("part_cost"("record"))`);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const name of [...Object.keys(FIGURES), 'cost']) await runner.query(`DROP INDEX "part_by_${name}"`);
    await runner.query('DROP FUNCTION "part_cost"');
    await runner.query('DROP FUNCTION "part_figure"');
    await runner.query('DROP FUNCTION "json_number"');
  }
}

function number(sql: string): string {
  return `"public"."json_number"(${sql})`;
}

/** Of a circle its diameter, of an oval its longer side. */
function longest(key: string): string {
  const of = (side: string) => number(`"record" -> '${key}' -> '${side}'`);
  return `greatest(${of('diameterMm')}, ${of('lengthMm')}, ${of('widthMm')})`;
}
