import AxeBuilder from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';
import { join } from 'node:path';

/** Takes a picture of a screen for a person to look at, where somebody asked for them. */
export async function look(page: Page, name: string): Promise<void> {
  const folder = process.env['IBIDEM_PICTURES'];
  if (!folder) return;
  // Pictures that are loaded late are to be on it.
  await page.waitForLoadState('networkidle');
  await page.screenshot({ path: join(folder, `${name}.png`) });
}

/** No violation that axe can see. The page within a proof is the site's, and is not Ibidem's to mend. */
export async function expectAccessible(page: Page): Promise<void> {
  await expect(page).toHaveTitle(/./);
  const { violations } = await new AxeBuilder({ page })
    .exclude('iframe')
    // Frames are left out, so that all is looked at in the page itself; and what passes is not described.
    .setLegacyMode()
    // No rule that is on reads style sheets, which would be fetched and parsed anew for each page.
    .options({ resultTypes: ['violations'], preload: { assets: ['media'] } })
    .analyze();
  expect(violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html).join(' ')}`)).toEqual([]);
}
