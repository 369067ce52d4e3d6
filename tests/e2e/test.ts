/** The tests of Playwright, with pages that are whole once they are open. */
import { expect, test as base, type Page } from '@playwright/test';

export { expect };

/** What came later than the frame around it and was not put in its place yet: for a moment it may stand on the page twice. */
const LATE = 'body > div[hidden][id^="S:"]';

/** Makes a page wait for what comes late, whenever it is opened or loaded again. */
function wholeOnceOpen(page: Page): void {
  const whole = async <Answer>(answer: Promise<Answer>): Promise<Answer> => {
    const answered = await answer;
    await expect(page.locator(LATE)).toHaveCount(0);
    return answered;
  };
  const goto = page.goto.bind(page);
  const reload = page.reload.bind(page);
  page.goto = (...asked) => whole(goto(...asked));
  page.reload = (...asked) => whole(reload(...asked));
}

export const test = base.extend({
  // Of the context, since tests open further windows in it.
  context: async ({ context }, use) => {
    context.on('page', wholeOnceOpen);
    await use(context);
  },
});
