/**
 * A package is read once by a worker, not once for every test file: what Jest is given in its place says what Node's own reading of the file
 * gives. It needs the one world of jest.environment.mjs, in which an `Error` of a package is one of the tests'.
 */
import { createRequire } from 'node:module';

/** Where jest.environment.mjs leaves Node's own `require`. */
const READ = "globalThis[Symbol.for('read a package')]";

const namesOf = (file) => Object.keys(createRequire(file)(file)).filter((name) => name !== 'default');

export default {
  process(_text, file, { supportsStaticESM }) {
    const read = `${READ}(${JSON.stringify(file)})`;
    if (!supportsStaticESM) return { code: `module.exports = ${read};` };
    const names = namesOf(file);
    const named = names.map((name, at) => `const _${at} = read[${JSON.stringify(name)}];`);
    const out = names.map((name, at) => `_${at} as ${JSON.stringify(name)}`);
    return {
      code: `const read = ${read};\n${named.join('\n')}\nexport { ${out.join(', ')} };\nexport default read.default;\n`,
    };
  },
  // Its names, which another version may have other ones of in the same file.
  getCacheKey: (_text, file, { supportsStaticESM }) =>
    `package ${file} ${supportsStaticESM ? namesOf(file).join() : ''}`,
};
