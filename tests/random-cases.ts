/**
 * The cases that tests of properties draw are the same in every run, so that a change is judged by itself.
 * `IBIDEM_CASES=random npx vitest run --project unit` draws others, to look for what no run has met yet.
 */
import fc from 'fast-check';

if (process.env.IBIDEM_CASES !== 'random') fc.configureGlobal({ seed: 20_160_514 });
