/**
 * Jest gives each test file a global object behind a proxy, through which every look at `Math`, `Number` or `Infinity` goes. Here it is an
 * ordinary one, as a program has it. Measured: all unit tests in 383 s instead of 448.
 */
import vm from 'node:vm';
import { TestEnvironment } from 'jest-environment-node';

const { createContext } = vm;

export default class PlainEnvironment extends TestEnvironment {
  constructor(...given) {
    vm.createContext = () => createContext(vm.constants.DONT_CONTEXTIFY);
    try {
      super(...given);
    } finally {
      vm.createContext = createContext;
    }
  }
}
