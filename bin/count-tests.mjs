// Reads a test run's JSON report (Vitest's or Playwright's) and prints "PASSED FAILED".
import { readFileSync } from 'node:fs';

const report = JSON.parse(readFileSync(process.argv[2], 'utf8'));
if (report.stats) console.log(report.stats.expected, report.stats.unexpected + report.stats.flaky);
else
  console.log(
    report.numPassedTests,
    report.numFailedTests + (report.numFailedTestSuites && !report.numFailedTests ? 1 : 0),
  );
