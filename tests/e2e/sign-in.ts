import { expect, type Page } from '@playwright/test';

/** Address of the demo's school. */
export const SCHOOL = '/s/ferndrake-community-music-school';

/** Signs in as one of the demo's people by the press that the sign-in page offers, and opens the school's pictures. */
export async function signInAs(page: Page, name: string): Promise<void> {
  await page.goto('/sign-in');
  await page.getByRole('button', { name: new RegExp(name) }).click();
  await expect(page).not.toHaveURL(/sign-in/);
  await page.goto(`${SCHOOL}/pictures`);
  await expect(page.getByRole('navigation', { name: 'Index' })).toBeVisible();
}
