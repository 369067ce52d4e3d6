/** A small site of thirty courses, each with a picture that its template left behind, and thirty new ones for it. */
import { buffer } from 'node:stream/consumers';
import sharp from 'sharp';
import { ZipFile } from 'yazl';
import { facade, hands, instrument, river, room, stage } from '@demo/site/scenes';

const COURSES = [
  ...['Violin', 'Cello', 'Flute', 'Trumpet', 'Harp', 'Drums', 'Organ', 'Guitar', 'Singing', 'Oboe'],
  ...['Bassoon', 'Clarinet', 'Horn', 'Tuba', 'Viola', 'Recorder', 'Piano', 'Accordion', 'Mandolin', 'Lute'],
  ...['Theory', 'Composition', 'Conducting', 'Improvisation', 'Chamber', 'Band', 'Choir', 'Nursery', 'Repair', 'Library'], // oxfmt-ignore
];

const SCENES = [stage, (seed: number) => facade(seed, 'red'), river, room, hands, instrument];

async function scene(seed: number, width: number, height: number): Promise<Buffer> {
  const draw = SCENES[seed % SCENES.length] ?? stage;
  return sharp(Buffer.from(draw(seed))).resize(width, height).jpeg().toBuffer(); // oxfmt-ignore
}

/** @returns the site as a ZIP */
export async function leftoverSite(): Promise<Buffer> {
  const zip = new ZipFile();
  const list = COURSES.map((course) => `<li><a href="${course.toLowerCase()}.html">${course}</a></li>`);
  zip.addBuffer(Buffer.from(`<!doctype html><html lang="en"><title>Courses</title><h1>Courses</h1><ul>${list.join('')}</ul>`), 'index.html'); // oxfmt-ignore
  for (const [n, course] of COURSES.entries()) {
    const file = `images/placeholder-${String(n + 1).padStart(2, '0')}.jpg`;
    zip.addBuffer(await scene(n + 60, 640, 427), file);
    const page = `<!doctype html><html lang="en"><title>${course}</title><h1>${course}</h1><figure><img src="${file}" width="640" height="427" alt="Placeholder"><figcaption>Caption goes here</figcaption></figure><p>About the ${course.toLowerCase()}.</p>`;
    zip.addBuffer(Buffer.from(page), `${course.toLowerCase()}.html`);
  }
  zip.end();
  return buffer(zip.outputStream);
}

/** A new picture for each course, named by it. */
export async function newPictures(): Promise<{ readonly name: string; readonly bytes: Buffer }[]> {
  const made: { name: string; bytes: Buffer }[] = [];
  for (const [n, course] of COURSES.entries())
    made.push({ name: `${course.toLowerCase()} in summer.jpg`, bytes: await scene(n + 260, 1500, 1000) });
  return made;
}
