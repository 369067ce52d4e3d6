import { expect, type Locator } from '@playwright/test';

/** Chooses the first box of a list by its key, as soon as the page listens to keys: a press before that is lost. */
export async function chooseFirst(box: Locator, told: Locator): Promise<void> {
  await expect(async () => {
    await box.focus();
    if (!(await told.isVisible())) await box.press('Space');
    await expect(told).toBeVisible({ timeout: 1500 });
  }).toPass();
}
