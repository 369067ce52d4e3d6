import { chromium } from 'playwright';
const [,, out, ...steps] = process.argv;
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] });
const p = await b.newPage({ viewport: { width: 1280, height: 800 } });
const base = process.env.BASE ?? 'http://127.0.0.1:4180';
await p.goto(base);
await p.getByRole('button', { name: /Maud Kestle/ }).click();
await p.waitForURL((u) => !u.pathname.includes('sign-in')); await p.waitForTimeout(1500);
let n = 0;
for (const s of steps) {
  if (s.startsWith('/')) await p.goto(base + s);
  else if (s.startsWith('press:')) { await p.getByRole('button', { name: s.slice(6) }).first().click(); await p.waitForTimeout(3500); }
  else if (s.startsWith('scroll:')) { await p.mouse.wheel(0, Number(s.slice(7))); await p.waitForTimeout(400); }
  else if (s.startsWith('wait:')) await p.waitForTimeout(Number(s.slice(5)));
  else if (s === 'reload') await p.reload();
  else if (s.startsWith('shot')) { await p.screenshot({ path: `${out}-${s.slice(4)}.png` }); console.log(p.url()); }
}
await b.close();
