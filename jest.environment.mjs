/**
 * Where Jest runs a test file's modules, made quicker in two ways.
 *
 * Jest gives each file a world of its own, with another `Array` and `Error` than Node's. Here a worker has one world for all its files, as a
 * program has, and what a file left on the global object is taken away after it: so packages are read once for all of them
 * (jest.packages.mjs), and a look at a global costs what it costs in the program. Measured: all unit tests in 434 s instead of 467.
 *
 * And it compiles every module anew for every file. Here a worker keeps what it has compiled. Measured by turns, twice: 33 test files of the
 * server in 196 s of processor instead of 252; all of the web's in 32 instead of 37.
 */
import { createRequire } from 'node:module';
import vm from 'node:vm';
import { ModernFakeTimers } from '@jest/fake-timers';
import { ModuleMocker } from 'jest-mock';

const { SourceTextModule, SyntheticModule, compileFunction } = vm;

/** By the text that was compiled. */
const compiledModules = new Map();
const compiledFunctions = new Map();

/** Compiled code forgets who asks where it imports something later. */
const isKept = (text) => !text.includes('import(');

vm.SourceTextModule = class extends SourceTextModule {
  constructor(text, { context: _, ...options }) {
    super(text, { ...options, cachedData: compiledModules.get(text) });
    if (isKept(text) && !compiledModules.has(text)) compiledModules.set(text, this.createCachedData());
  }
};

vm.SyntheticModule = class extends SyntheticModule {
  constructor(names, evaluate, { context: _, ...options }) {
    super(names, evaluate, options);
  }
};

vm.compileFunction = (text, parameters, { parsingContext: _, ...options }) => {
  const cachedData = compiledFunctions.get(text);
  const produceCachedData = isKept(text) && !cachedData;
  const made = compileFunction(text, parameters, { ...options, cachedData, produceCachedData });
  if (produceCachedData) compiledFunctions.set(text, made.cachedData);
  return made;
};

/** Node's own, for jest.packages.mjs. */
globalThis[Symbol.for('read a package')] = createRequire(import.meta.url);

const own = Object.getOwnPropertyDescriptors(globalThis);
const { exit, getBuiltinModule } = process;

/** The global object as it was before the first file. */
function tidyUp() {
  for (const key of Reflect.ownKeys(globalThis)) {
    const now = Object.getOwnPropertyDescriptor(globalThis, key);
    const before = own[key];
    if (!now.configurable || (before && now.value === before.value && now.get === before.get)) continue;
    delete globalThis[key];
    if (before) Object.defineProperty(globalThis, key, before);
  }
  Object.assign(process, { exit, getBuiltinModule });
}

export default class OneWorld {
  global = globalThis;
  moduleMocker = new ModuleMocker(globalThis);
  /** Jest asks for one; no module is put into it. */
  context = vm.createContext();

  constructor({ projectConfig: config }) {
    this.fakeTimersModern = new ModernFakeTimers({ config, global: globalThis });
  }

  async setup() {}

  async teardown() {
    this.fakeTimersModern.dispose();
    this.context = null;
    tidyUp();
  }

  exportConditions() {
    return ['node', 'node-addons'];
  }

  getVmContext() {
    return this.context;
  }
}
