// Mocha's spec report, and the counts in a file for the one line at the end of npm test.
const { writeFileSync } = require('node:fs')
const { reporters } = require('mocha')

module.exports = class CountReporter extends reporters.Spec {
  constructor(runner, options) {
    super(runner, options)
    runner.once('end', () => {
      writeFileSync(options.reporterOptions.output, JSON.stringify({ passes: this.stats.passes, failures: this.stats.failures }))
    })
  }
}
