import { SCHOOL, signInAs } from './sign-in';
import { expect, test } from './test';

test('Ibidem’s own screens run no script but their own, are whole without any other, and are made once', async ({
  page,
}) => {
  const refused: string[] = [];
  page.on('console', (message) => {
    if (message.text().includes('Content Security Policy')) refused.push(message.text());
  });
  await signInAs(page, 'Maud Kestle');
  const asked: string[] = [];
  page.on('request', (request) => {
    if (request.headers()['rsc'] === '1') asked.push(request.url());
  });
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
    // What is at no address of the site has no running head.
    const status =
      screen &&
      page.waitForResponse(
        (response) => response.url().endsWith('/status') && response.frame().url().endsWith(`/${screen}`),
      );
    const answer = await page.goto(`${SCHOOL}/${screen}`);
    const policy = answer?.headers()['content-security-policy'] ?? '';
    expect(policy, screen).toMatch(/script-src 'self' 'nonce-[\w+/=]{20,}' 'strict-dynamic';/);
    expect(policy).toContain("object-src 'none'");
    await expect(page.getByRole('main').first()).toBeVisible();
    // The running head has compared the screen with how the work is.
    await status;
  }
  expect(refused).toEqual([]);
  // A screen is made once: neither again once it is open, nor what its links lead to before anybody points at one.
  expect(asked).toEqual([]);
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
