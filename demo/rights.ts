/** What the school has written down of its pictures' rights; all names are made up. Much is not written down, as everywhere. */
import type { RightsRecord } from '@/core/rights/records';

/** A record as its line in a file says it: days as YYYY-MM-DD. */
type Written = { readonly record: RightsRecord['record'] } & Readonly<Record<string, unknown>>;

const OWN_FOLDERS = ['img/*', 'lessons/img/*', 'tutors/img/*', 'choirs/img/*', 'concerts/img/*', 'join/img/*', 'house/**', 'library/img/*', 'courses/img/*', 'news/2024/img/*', 'news/2025/img/*', 'news/2026/img/*']; // oxfmt-ignore

export const RIGHTS: readonly Written[] = [
  { record: 'site', host: 'www.ferndrake.example' },
  { record: 'section', pattern: 'lessons/**', purpose: 'teaching' },
  { record: 'section', pattern: 'news/**', purpose: 'news' },
  { record: 'section', pattern: 'cafe/**', purpose: 'selling', commercial: true },
  { record: 'section', pattern: 'courses/**', purpose: 'selling', commercial: true },
  // What the school's own people took.
  { record: 'picture', files: OWN_FOLDERS, licence: 'own-work', holder: 'Ferndrake Community Music School' },
  { record: 'picture', files: ['favicon.png', 'img/logo.png'], title: 'Our sign', people: 'none' },
  // Bought for the concerts of one season; the contract ended in the summer.
  {
    ...{ record: 'licence', id: 'own:brightline', name: 'Brightline, one season', purposes: ['general', 'news'] },
    ...{ commercial: false, modify: true, credit: true, line: 'Pia Sundorn / Brightline' },
    ...{ sites: ['www.ferndrake.example'], from: '2025-09-01', until: '2026-08-31' },
  },
  { record: 'picture', files: ['img/choir-winter-960.jpg'], title: 'The winter concert', creator: ['Pia Sundorn'], holder: 'Brightline', licence: 'own:brightline' },
  // A volunteer wants to be named, and is on one page of two.
  { record: 'licence', id: 'own:volunteers', name: 'Volunteers’ pictures, for our web site', credit: true },
  { record: 'picture', files: ['img/violin-bench.jpg'], title: 'A violin on the bench', creator: ['Maud Kestle'], licence: 'own:volunteers' },
  { record: 'picture', files: ['join/img/bench-cross.jpg'], creator: ['Enid Farrow'], licence: 'own:volunteers' },
  // Given for a leaflet; nobody asked whether the web is meant.
  { record: 'licence', id: 'own:programme', name: 'For the printed programme', credit: true },
  { record: 'picture', files: ['join/img/bench-dial.jpg'], creator: ['Enid Farrow'], licence: 'own:programme' },
  // Named with its licence, and without its title.
  { record: 'picture', files: ['join/img/bench-ring.jpg'], title: 'Steel on cloth', creator: ['Enid Farrow'], licence: 'CC-BY-4.0' },
  // Somebody wrote down what the page said from which it was taken.
  { record: 'picture', files: ['recordings/img/2019.jpg'], source: 'a web site of concert pictures', licence: 'free to use' },
  // Bought for lessons, and shown on other pages.
  { record: 'licence', id: 'own:lessons', name: 'Brightline for lessons', purposes: ['teaching'] },
  { record: 'picture', files: ['img/engine-room.jpg'], holder: 'Brightline', licence: 'own:lessons' },
  // Lent to the festival for its own site.
  { record: 'licence', id: 'own:festival', name: 'For the festival’s site', sites: ['festival.example'] },
  { record: 'picture', files: ['img/drums.jpg'], holder: 'Lena Tross', licence: 'own:festival' },
  // Found in an open archive: no changes, and the list of lessons shows a square cut out of it.
  { record: 'picture', files: ['img/cello-lesson.jpg'], title: 'A first lesson', creator: ['Orrin Vale'], source: 'https://archive.example/orrin-vale/lesson', licence: 'CC-BY-ND-4.0' },
  // Nothing commercial: the café's page sells.
  { record: 'picture', files: ['img/cafe-cup.jpg'], title: 'A cup on the counter', creator: ['Lena Tross'], source: 'https://archive.example/lena-tross/cup', licence: 'CC-BY-NC-4.0' },
  { record: 'picture', files: ['img/facade-2016-1600.jpg'], title: 'The old fire station', people: 'none' },
  // Lent by a neighbour until the new year.
  { record: 'picture', files: ['img/river-door.jpg'], title: 'The back door', holder: 'Jory Pell', people: 'none', until: '2026-12-31' },
  // Somebody took the paper behind the words on the library from a page that gives such things away, by its address.
  { record: 'picture', files: ['https://paper.archive.example/*'], title: 'Grain of paper', source: 'https://paper.archive.example/', licence: 'CC0-1.0', people: 'none' },
  // People: numbers stand for families, whose names are in the office.
  { record: 'shows', files: ['img/young-choir.jpg'], people: ['family 17', 'family 21', 'family 22'] },
  { record: 'person', id: 'family 17', releases: [{ from: '2025-09-01', until: '2027-08-31', withdrawn: '2026-10-05' }] },
  { record: 'person', id: 'family 21', releases: [{ from: '2026-09-01', until: '2027-08-31' }] },
  { record: 'person', id: 'family 22', releases: [{ from: '2026-09-01', until: '2027-08-31' }] },
  { record: 'shows', files: ['lessons/img/viola-term1.jpg'], people: ['family 9'] },
  { record: 'person', id: 'family 9', releases: [{ purposes: ['teaching'], from: '2025-09-01', until: '2026-08-31' }] },
  { record: 'shows', files: ['lessons/img/harp-term1.jpg'], people: ['family 30'] },
  { record: 'person', id: 'family 30', releases: [{ purposes: ['teaching'], from: '2026-09-01', until: '2027-08-31' }] },
  { record: 'shows', files: ['lessons/img/recorder-term1.jpg'], people: ['family 40'] },
  { record: 'person', id: 'family 40', releases: [] },
  { record: 'shows', files: ['img/hall-choir.jpg'], people: ['family 12'] },
  { record: 'person', id: 'family 12', releases: [{ purposes: ['teaching'] }] },
  { record: 'shows', files: ['tutors/img/marrable.jpg'], people: ['tutor 3'] },
  { record: 'person', id: 'tutor 3', releases: [{}] },
  { record: 'picture', files: ['img/guitar-group.jpg'], people: 'some' },
]; // oxfmt-ignore
