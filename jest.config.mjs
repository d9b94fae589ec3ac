/** @type {import("jest").Config} */
export default {
  // By itself one of two cores would stand idle.
  maxWorkers: "100%",
  roots: ["<rootDir>/core", "<rootDir>/web", "<rootDir>/server", "<rootDir>/demo"],
  testMatch: ["**/*.test.ts"],
  testEnvironment: "node",
  // Generous: suites share two cores with each other, and no test here is about time.
  testTimeout: 60_000,
  extensionsToTreatAsEsm: [".ts", ".tsx"],
  moduleNameMapper: { "^(\\.{1,2}/.*)\\.js$": "$1" },
  // A package that does arithmetic in its loops is prepared as our own modules are.
  transformIgnorePatterns: ["/node_modules/(?!clipper2-ts/)"],
  transform: {
    "\\.tsx?$|/clipper2-ts/.+\\.js$": [
      "<rootDir>/scripts/jest-transform.mjs",
      {
        module: { type: "es6" },
        jsc: {
          target: "es2022",
          parser: { syntax: "typescript", tsx: true },
          transform: { react: { runtime: "automatic" } },
        },
      },
    ],
  },
  reporters: ["default", "<rootDir>/scripts/counting-reporter.mjs"],
};
