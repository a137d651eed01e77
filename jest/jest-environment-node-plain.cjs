const vm = require("node:vm");
const { TestEnvironment } = require("jest-environment-node");

const PLAIN = vm.constants?.DONT_CONTEXTIFY;

/**
 * Jest's environment for Node, on an ordinary global object. Its own stands behind a proxy that is asked at every `Math` and
 * `Object`, which makes loops over pixels ten times slower, and queries three times. What tests can see of it is the same.
 * A Node that has no such context yet (before 20.18) takes Jest's own. By the file's name Next's transform knows that it is Node.
 */
module.exports = class PlainGlobals extends TestEnvironment {
  constructor(config, context) {
    const { createContext } = vm;
    if (PLAIN) vm.createContext = () => createContext(PLAIN);
    try {
      super(config, context);
    } finally {
      vm.createContext = createContext;
    }
  }
};
