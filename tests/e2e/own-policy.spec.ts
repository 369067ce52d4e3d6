import { SCHOOL, signInAs } from './sign-in';
import { expect, test } from './test';

test('Ibidem’s own screens run no script but their own, and are whole without any other', async ({
  page,
}) => {
  const refused: string[] = [];
  page.on('console', (message) => {
    if (message.text().includes('Content Security Policy')) refused.push(message.text());
  });
  await signInAs(page, 'Maud Kestle');
  for (const screen of [
    '',
    'pages',
    'pictures',
    'errata',
    'text-desk',
    'rights',
    'files',
    'subjects',
    'editions',
    'surveys',
    'settings',
  ]) {
    const answer = await page.goto(`${SCHOOL}/${screen}`);
    const policy = answer?.headers()['content-security-policy'] ?? '';
    expect(policy, screen).toMatch(/script-src 'self' 'nonce-[\w+/=]{20,}' 'strict-dynamic';/);
    expect(policy).toContain("object-src 'none'");
    await expect(page.getByRole('main').first()).toBeVisible();
  }
  expect(refused).toEqual([]);
  const ran = await page.evaluate(async () => {
    const box = document.createElement('div');
    box.innerHTML = '<img src="/none.png" onerror="window.ranHere = true">';
    document.body.append(box);
    await new Promise((resolve) => setTimeout(resolve, 500));
    return 'ranHere' in window;
  });
  expect(ran).toBe(false);
  expect(refused).not.toEqual([]);
});
