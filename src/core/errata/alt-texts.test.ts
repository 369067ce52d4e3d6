import { describe, expect, it } from 'vitest';
import { checkPage } from './check-page';
import { examplePage } from './example-page';

/**
 * Alt texts and captions as sites have them, and whether a person would ask for others: what must or should be put
 * right counts alike. Half of them were written down before any rule had seen them.
 */
const isAtFault = (html: string, language = 'en') =>
  checkPage(examplePage({ html, evidence: null, language })).some(
    ({ rule, degree }) => degree !== 'note' && /^(?:alt|caption)\//u.test(rule),
  );

const ALONE: Readonly<
  Record<string, { readonly wrong: readonly string[]; readonly right: readonly string[] }>
> = {
  en: { wrong: ['Photo of the choir', 'Image of a cello', 'Violin 🎻', 'image001', 'image001.png', 'DSC00123', 'DSCN0456', 'IMG-20230514-WA0003', 'Screenshot 2023-05-14 at 10.22.33', 'photo-1519681393784-d120267933ba', 'Untitled-1', 'untitled', 'unnamed', 'unnamed (1)', 'placeholder', 'Placeholder image', 'stock photo', 'picture1', 'Picture 1', 'slide1', 'Slide 3', 'banner1', 'img_1', 'hero', 'hero image', 'Header Image', 'main photo', 'main image', 'image here', 'insert alt text here', 'Alt text', 'alt', 'description', 'Enter image description here', 'image description', 'TODO', 'Lorem ipsum dolor sit amet', 'asdf', 'xxx', '...', '-', '*', '?', '.', '&nbsp;', 'null', 'undefined', '[object Object]', 'false', 'NaN', '{{title}}', '%ALT%', '&lt;?php echo $alt; ?&gt;', 'https://example.org/img/hall.jpg', 'img/hall.jpg', 'hall.jpg', 'Hall.JPG', 'hall-300x200', 'hall_final_v2', 'summer-fair-2019-web', 'photograph', 'A photograph', 'a picture', 'Image', 'graphic', 'spacer', 'bullet', 'decorative image', 'decorative', 'background image', 'thumbnail', 'photo of', 'image of', 'xxxxxxxxxx', 'wind-band-2', 'image_2023_05', 'choir_summer', 'stock_998877', '20190704_101500', 'P1010023', 'Messenger Image 2023-05-14 at 10.22.33', 'scan0001', 'Scan 1', 'cropped-logo.png', 'header.jpg', 'image missing', 'No image available', 'Image coming soon', 'qwerty', 'test', 'blah blah', 'Description of image', 'image alt text', 'Logo image', 'logo', 'Logo', 'icon', 'map', 'chart', 'graph', 'poster', 'flyer', 'arrow', 'word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word word', '🎻', '🎻🎻🎻', '&lt;b&gt;Hall&lt;/b&gt;', 'avatar', 'Portrait', 'chart 1', 'Figure 2'], right: ['school logo', 'Ferndrake Music School logo', 'Ferndrake Music School', 'Children playing violin', 'A girl plays the cello in the hall', 'Violin', 'Piano', 'Anna Fiel', 'Mrs Marrable, head of strings', 'Red doors of the old fire station', 'Year 6 on the beach', 'Class 3B', 'Team photo of the under-12s', 'Painting of a river by a pupil', 'Screenshot of the booking form', 'Map of the way from the station to the school', 'Bar chart: members rose from 40 to 90', '5 stars', '100', '2019 concert', 'COVID-19 notice', 'Open day 14 June, 10 to 4', 'Twitter', 'Email', 'E-mail us', 'Search', 'Menu', 'Home', 'Next', 'PDF', 'Mozart', 'Flute (on loan)', 'Grade 5 – merit', 'B-flat clarinet', '1st violins', 'Oak_tree', 'The choir sings under lamps. The choir sings under lamps. The choir sings under lamps. The choir sings under lamps. The choir sings under lamps. The choir sings under lamps.', 'Our website', 'Our gallery', 'The title page of the programme', 'Main hall', 'The new hall', 'A new piano for the school', 'Background singers', 'Header of the letter', 'Full orchestra', 'Blog', 'Profile of Anna Fiel', 'Gallery', 'Main entrance', 'Small hall', 'Large hall, set for a concert', 'Photo by Anna Fiel', 'cello-and-bow', 'Stage-left-2', 't-shirt', 'ChoirSummer2019', 'page 3', 'Coming soon: summer concert', 'Example of a reed', 'A default setting in the form', 'Send us your photo', 'This is an image of our school', 'a b c', 'Test of the new lamps', 'Company logo', 'Site logo', 'Portrait of Dorrin Oake', 'map of the area', 'Figure 2: the reed'] }, // oxfmt-ignore
  de: { wrong: ['Foto des Chores', 'Bild von der Bühne', 'Bild', 'Foto', 'Bild 1', 'Platzhalter', 'Bild folgt', 'Kein Bild vorhanden', 'Beispielbild', 'Symbolbild', 'Unbenannt', 'Das ist ein Bild', 'Vorschau', 'Titelbild'], right: ['Startseite', 'Unser Chor beim Sommerfest', 'Logo der Musikschule', 'Hauptbild', 'Teaserbild', 'Die große Halle', 'Eine Seite aus dem Programm'] }, // oxfmt-ignore
  fr: { wrong: ['Photo de l’école', 'Image de la salle', 'photo', 'image', 'Légende', 'Sans titre', 'Une image'], right: ['La chorale en concert', 'La grande salle'] }, // oxfmt-ignore
  es: { wrong: ['Foto del coro', 'imagen', 'sin título', 'Imagen de ejemplo', 'Una foto'], right: ['El coro en la sala', 'La sala grande'] }, // oxfmt-ignore
};

describe.each(Object.entries(ALONE))('alt texts of pictures in %s', (language, { wrong, right }) => {
  const html = (alt: string) => `<p><img src="img/hall.jpg" alt="${alt}"></p>`;
  it.each(wrong)('“%s” is at fault', (alt) => expect(isAtFault(html(alt), language)).toBe(true));
  it.each(right)('“%s” is not', (alt) => expect(isAtFault(html(alt), language)).toBe(false));
});

describe('alt texts of pictures in links', () => {
  it.each([
    ['', 'lessons.html', '', 'en', true],
    ['image', 'lessons.html', '', 'en', true],
    ['click here', 'lessons.html', '', 'en', true],
    ['link', 'lessons.html', '', 'en', true],
    ['here', 'lessons.html', '', 'en', true],
    ['read more', 'lessons.html', '', 'en', true],
    ['more', 'lessons.html', '', 'en', true],
    ['More about lessons', 'lessons.html', '', 'en', false],
    ['Lessons', 'lessons.html', '', 'en', false],
    ['Download the programme (PDF)', 'lessons.html', '', 'en', false],
    ['', 'lessons.html', ' Lessons', 'en', false],
    ['Lessons', 'lessons.html', ' Lessons', 'en', true],
    ['A cello', 'cello.html', ' Cello lessons', 'en', false],
    ['enlarge', 'img/x-big.jpg', '', 'en', true],
    ['A cello', 'img/x-big.jpg', '', 'en', false],
    ['logo', 'index.html', '', 'en', true],
    ['Home', 'index.html', '', 'en', false],
    ['Ferndrake home page', 'index.html', '', 'en', false],
    ['button', 'lessons.html', '', 'en', true],
    ['btn_submit', 'lessons.html', '', 'en', true],
    ['mehr', 'x.html', '', 'de', true],
    ['weiterlesen', 'x.html', '', 'de', true],
    ['en savoir plus', 'x.html', '', 'fr', true],
    ['leer más', 'x.html', '', 'es', true],
    ['View gallery', 'lessons.html', '', 'en', false],
    ['Article', 'lessons.html', '', 'en', false],
    ['Photo gallery', 'lessons.html', '', 'en', false],
    ['Pictures of the summer fair', 'lessons.html', '', 'en', false],
  ])('“%s” that leads to %s, with “%s” (%s): %s', (alt, href, text, language, atFault) => {
    const html = `<p><a href="${href}"><img src="img/x.jpg" alt="${alt}">${text}</a></p>`;
    expect(isAtFault(html, language)).toBe(atFault);
  });
});

describe('alt texts with captions', () => {
  it.each([
    ['', 'The hall in May', true],
    ['The hall in May', 'The hall in May', true],
    ['The hall', 'The hall in May, before the paint', false],
    ['Two rows of singers under lamps', 'The Hall Choir, winter 2024', false],
    ['A door', 'Caption goes here', true],
    ['A door', 'Image caption', true],
    ['A door', 'Lorem ipsum dolor sit amet', true],
    ['A door', 'Add a caption', true],
    ['A door', 'Enter caption', true],
    ['A door', 'Photo: Anna Fiel', false],
    ['A door', 'hall.jpg', true],
    ['A door', 'IMG_2041', true],
    ['A door', 'Figure 1', false],
    ['A door', 'Fig. 3: How a reed is cut', false],
  ])('“%s” over “%s”: %s', (alt, caption, atFault) => {
    const html = `<figure><img src="img/x.jpg" alt="${alt}"><figcaption>${caption}</figcaption></figure>`;
    expect(isAtFault(html)).toBe(atFault);
  });
});

describe('alternatives as they are written', () => {
  it.each([
    ['<p><img src="img/hall.jpg"></p>', true],
    ['<p><img src="img/hall.jpg" alt></p>', false],
    ['<p><img src="img/hall.jpg" alt=" "></p>', true],
    ['<p><img src="img/hall.jpg" title="The hall"></p>', false],
    ['<p><img src="img/hall.jpg" alt="" role="presentation"></p>', false],
    ['<p><input type="image" src="go.png"></p>', true],
    ['<p><input type="image" src="go.png" alt="Search"></p>', false],
    ['<p><input type="image" src="go.png" alt="submit"></p>', false],
    ['<input type=image src=go.png alt="Go">', false],
  ])('%s: %s', (html, atFault) => expect(isAtFault(html)).toBe(atFault));
});
