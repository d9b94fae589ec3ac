// Closes a Jest or a Playwright run with one plain line that any CI can read. A suite that broke counts as failed.
export default class CountingReporter {
  #passed = 0;
  #failed = 0;

  // Jest
  onRunComplete(_contexts, results) {
    this.#say(results.numPassedTests, results.numFailedTests + results.numRuntimeErrorTestSuites);
  }

  // Playwright
  onTestEnd(test, result) {
    if (result.status === "passed") this.#passed += 1;
    else if (test.outcome() === "unexpected" && result.retry === test.retries) this.#failed += 1;
  }
  onError() {
    this.#failed += 1;
  }
  onEnd() {
    this.#say(this.#passed, this.#failed);
  }

  #say(passed, failed) {
    process.stdout.write(`\n${passed} passed, ${failed} failed\n`);
  }
}
