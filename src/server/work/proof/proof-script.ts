/**
 * The one script that runs in a proof. It measures the space of every marked place and tells the window around it,
 * draws the numbers, and keeps links from leading anywhere. It knows nothing and can reach nothing.
 */
import { MARK_ATTRIBUTE } from '@/core/proof/mark-page';

const CODE = `(() => {
  const marks = new Map();
  const layer = document.createElement('div');
  layer.setAttribute('style', 'all:initial;position:absolute;left:0;top:0;width:0;height:0;z-index:2147483647');
  const fits = { fill: 'fill', contain: 'contain', cover: 'cover', none: 'none', 'scale-down': 'contain' };
  // An area has no box of its own: it lies on the picture that uses its map.
  const areaRect = (area) => {
    const map = area.closest('map');
    const image = map && [...document.querySelectorAll('[usemap]')].find((one) => one.getAttribute('usemap') === '#' + map.name);
    if (!image) return null;
    const on = image.getBoundingClientRect();
    const [x = 0, y = 0, radius = 0, ...more] = (area.getAttribute('coords') || '').split(/[\\s,;]+/).map(Number).filter(Number.isFinite);
    const all = /^circ/i.test(area.getAttribute('shape') || '') ? [x - radius, y - radius, x + radius, y + radius] : more.length > 0 ? [x, y, radius, ...more] : [0, 0, on.width, on.height];
    const across = all.filter((_, n) => n % 2 === 0), down = all.filter((_, n) => n % 2 === 1);
    const [left, top] = [Math.min(...across), Math.min(...down)];
    return { left: on.left + left, top: on.top + top, width: Math.max(...across) - left, height: Math.max(...down) - top };
  };
  const boxOf = (element) => {
    let shown = element;
    if (element.tagName === 'SOURCE' && element.parentElement) shown = element.parentElement.querySelector('img') || element;
    if (element.tagName === 'A') shown = element.querySelector('img,svg,picture') || element;
    const rect = (element.tagName === 'AREA' && areaRect(element)) || shown.getBoundingClientRect();
    const style = getComputedStyle(shown);
    const isBackground = !/^(IMG|VIDEO|INPUT|OBJECT|EMBED|image)$/.test(shown.tagName);
    const fit = isBackground ? (/cover/.test(style.backgroundSize) ? 'cover' : /contain/.test(style.backgroundSize) ? 'contain' : 'none') : fits[style.objectFit] || 'fill';
    const isSeen = rect.width > 1 && rect.height > 1 && style.visibility !== 'hidden' && style.opacity !== '0';
    return { x: rect.left + scrollX, y: rect.top + scrollY, width: rect.width, height: rect.height, fit, isSeen };
  };
  const measure = () => {
    const places = [];
    for (const element of document.querySelectorAll('[${MARK_ATTRIBUTE}]')) {
      const box = boxOf(element);
      for (const number of element.getAttribute('${MARK_ATTRIBUTE}').split(' ')) places.push({ number: Number(number), ...box });
    }
    draw(places);
    const height = Math.max(document.documentElement.scrollHeight, document.body ? document.body.scrollHeight : 0);
    parent.postMessage({ from: 'ibidem-proof', what: 'measured', height, places }, '*');
  };
  let chosen = 0;
  let degrees = {};
  // Graver marks are fuller as well as of another colour: filled, a thick edge, a thin one.
  const LOOKS = { must: 'background:#b01e2b;color:#fff;border:1px solid #fff', should: 'background:#fff;color:#855600;border:3px solid #855600;line-height:20px', note: 'background:#fff;color:#55626d;border:1px solid #55626d' };
  const CHOSEN = 'background:#17695f;color:#fff;border:1px solid #fff', PLAIN = 'background:#18222e;color:#fff;border:1px solid #fff';
  const worst = (numbers) => ['must', 'should', 'note'].find((degree) => numbers.some((number) => degrees[number] === degree));
  const draw = (places) => {
    const groups = new Map();
    for (const place of places) {
      if (!place.isSeen) continue;
      const key = Math.round(place.x) + ',' + Math.round(place.y);
      if (!groups.has(key)) groups.set(key, { place, numbers: [] });
      groups.get(key).numbers.push(place.number);
    }
    layer.replaceChildren();
    for (const { place, numbers } of groups.values()) {
      const mark = document.createElement('button');
      mark.textContent = numbers.length > 2 ? numbers[0] + '–' + numbers[numbers.length - 1] : numbers.join(' ');
      const isChosen = numbers.includes(chosen);
      mark.setAttribute('style', 'all:initial;position:absolute;box-sizing:border-box;left:' + Math.max(0, place.x) + 'px;top:' + Math.max(0, place.y) + 'px;min-width:26px;height:26px;padding:0 6px;font:600 15px/24px sans-serif;text-align:center;white-space:nowrap;cursor:pointer;' + (isChosen ? CHOSEN : LOOKS[worst(numbers)] || PLAIN));
      mark.setAttribute('aria-label', 'place ' + numbers.join(' and ') + (worst(numbers) ? ', ' + worst(numbers) : ''));
      mark.addEventListener('click', (event) => { event.preventDefault(); event.stopPropagation(); parent.postMessage({ from: 'ibidem-proof', what: 'chosen', number: numbers[0] }, '*'); });
      layer.append(mark);
      if (isChosen) {
        const ring = document.createElement('div');
        ring.setAttribute('style', 'all:initial;position:absolute;box-sizing:border-box;pointer-events:none;left:' + place.x + 'px;top:' + place.y + 'px;width:' + place.width + 'px;height:' + place.height + 'px;outline:3px solid #17695f');
        layer.append(ring);
      }
    }
  };
  addEventListener('message', (event) => {
    if (event.source !== parent || !event.data || event.data.to !== 'ibidem-proof') return;
    chosen = Number(event.data.chosen) || 0;
    degrees = event.data.degrees || {};
    measure();
  });
  addEventListener('click', (event) => { if (event.target.closest && event.target.closest('a,area')) event.preventDefault(); }, true);
  addEventListener('submit', (event) => event.preventDefault(), true);
  const start = () => {
    document.documentElement.append(layer);
    parent.postMessage({ from: 'ibidem-proof', what: 'ready' }, '*');
    for (const image of document.querySelectorAll('img[data-src]')) if (!image.getAttribute('src')) image.src = image.dataset.src;
    for (const image of document.querySelectorAll('img[loading=lazy]')) image.loading = 'eager';
    measure();
    let soon = 0;
    const measureSoon = () => { clearTimeout(soon); soon = setTimeout(measure, 120); };
    addEventListener('load', () => { measure(); setTimeout(measure, 400); });
    document.addEventListener('load', measureSoon, true);
    document.addEventListener('error', measureSoon, true);
    addEventListener('resize', measure);
  };
  if (document.readyState === 'loading') addEventListener('DOMContentLoaded', start); else start();
})();`;

/** The script's element, with the nonce that the page's policy lets run. */
export function proofScript(nonce: string): string {
  return `<script nonce="${nonce}">${CODE}</script>`;
}
