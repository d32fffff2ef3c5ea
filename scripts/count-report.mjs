// Prints "passed failed" from a JSON report of Vitest or Playwright.
import { readFileSync } from 'node:fs';

const report = JSON.parse(readFileSync(process.argv[2], 'utf8'));
const [passed, failed] =
  'stats' in report
    ? [report.stats.expected + report.stats.flaky, report.stats.unexpected]
    : [
        report.numPassedTests,
        report.numFailedTests + (report.numFailedTestSuites > 0 && report.numFailedTests === 0 ? 1 : 0),
      ];
if (passed + failed === 0) throw new Error('no test ran');
console.log(passed, failed);
