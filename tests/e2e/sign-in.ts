import { expect, type Page } from '@playwright/test';

/** Signs in as one of the demo's people by the press that the sign-in page offers. */
export async function signInAs(page: Page, name: string): Promise<void> {
  await page.goto('/sign-in');
  await page.getByRole('button', { name: new RegExp(name) }).click();
  await expect(page.getByRole('navigation', { name: 'Index' })).toBeVisible();
}
