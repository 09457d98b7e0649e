/** Writes the JSON Schemas of the file formats, made from the schemas that read them, into docs/schemas. */
import { mkdirSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { JSON_SCHEMAS } from '@low-quarry/core/formats/jsonSchemas';

const dir = process.argv[2];
if (!dir) throw new Error('schemas: expected the folder to write to');
mkdirSync(dir, { recursive: true });
for (const [name, schema] of Object.entries(JSON_SCHEMAS)) {
  writeFileSync(path.join(dir, `${name}.schema.json`), `${JSON.stringify(schema, null, 2)}\n`);
}
