/** The school's three designs: tables of 2014, plain HTML5 of 2017 with fixed sizes, responsive pages of 2021. */

export interface PageContent {
  readonly title: string;
  readonly body: string;
  /** More for the head: the picture that stands for the page, styles of its own. */
  readonly head?: string;
  /** Class of the page's header, for the responsive design. */
  readonly header?: string;
}

const up = (path: string) => '../'.repeat(path.split('/').length - 1);

const MENU: readonly (readonly [string, string])[] = [
  ['index.html', 'Home'],
  ['lessons/index.html', 'Lessons'],
  ['choirs/index.html', 'Choirs'],
  ['tutors/index.html', 'Tutors'],
  ['courses/index.html', 'Courses'],
  ['concerts/index.html', 'Concerts'],
  ['news/index.html', 'News'],
  ['projects/index.html', 'Projects'],
  ['recordings/index.html', 'Recordings'],
  ['join/index.html', 'Join'],
  ['cafe/index.html', 'Caf\u00e9'],
];

/** Design of 2014: tables, upper-case tags, no doctype to speak of, CRLF; written in windows-1252 by the generator. */
export function tablePage(path: string, { title, body }: PageContent): string {
  const root = up(path);
  const menu = MENU.map(([to, name]) => `<A HREF="${root}${to}">${name}</A>`).join(' | ');
  return [
    '<HTML>',
    '<HEAD>',
    '<META HTTP-EQUIV="Content-Type" CONTENT="text/html; charset=windows-1252">',
    `<TITLE>${title} \u2013 Ferndrake Community Music School</TITLE>`,
    '</HEAD>',
    `<BODY BACKGROUND="${root}news/pics/paper.gif" BGCOLOR=#f4efe2>`,
    '<TABLE WIDTH=760 ALIGN=center CELLPADDING=8>',
    `<TR><TD WIDTH=120><IMG SRC="${root}img/logo.png" WIDTH=60 HEIGHT=60 ALT="Ferndrake Community Music School"></TD>`,
    `<TD><FONT SIZE=2>${menu}</FONT></TD></TR>`,
    `<TR><TD COLSPAN=2><H1>${title}</H1>`,
    body.trim(),
    '</TD></TR>',
    '<TR><TD COLSPAN=2><FONT SIZE=1>Old Fire Station, Ferndrake \u2013 the office is open Tuesday to Friday</FONT></TD></TR>',
    '</TABLE>',
    '</BODY>',
    '</HTML>',
    '',
  ]
    .join('\n')
    .replaceAll('\n', '\r\n');
}

/** Design of 2017: HTML5 with fixed sizes. */
export function plainPage(path: string, { title, body, head = '' }: PageContent): string {
  const root = up(path);
  const menu = MENU.map(([to, name]) => `<li><a href="${root}${to}">${name}</a></li>`).join('');
  return `<!DOCTYPE html>
<html lang="en">
<head>
<meta charset="utf-8">
<title>${title} | Ferndrake Community Music School</title>
<link rel="icon" href="${root}favicon.png">
<link rel="stylesheet" href="${root}css/plain.css">
${head}</head>
<body>
<div id="page">
<header><a href="${root}index.html"><img src="${root}img/logo.png" width="60" height="60" alt="Ferndrake Community Music School"></a>
<ul class="menu">${menu}</ul></header>
<main>
<h1>${title}</h1>
${body.trim()}
</main>
<footer>Old Fire Station, Ferndrake. The office is open Tuesday to Friday.</footer>
</div>
</body>
</html>
`;
}

/** Design of 2021: responsive. */
export function responsivePage(path: string, { title, body, head = '', header = '' }: PageContent): string {
  const root = up(path);
  const menu = MENU.map(([to, name]) => `<a href="${root}${to}">${name}</a>`).join('\n      ');
  return `<!doctype html>
<html lang="en">
<head>
  <meta charset="utf-8">
  <meta name="viewport" content="width=device-width, initial-scale=1">
  <title>${title} \u00b7 Ferndrake Community Music School</title>
  <link rel="icon" href="${root}favicon.png">
  <link rel="stylesheet" href="${root}css/site.css">
  <link rel="stylesheet" href="${root}css/courses.css">
  <link rel="manifest" href="${root}site.webmanifest">
  ${head.trim()}
</head>
<body>
  <nav>
      <a class="sign" href="${root}index.html"><img src="${root}img/logo.png" alt="Ferndrake Community Music School" width="48" height="48"></a>
      ${menu}
  </nav>
  <header class="head ${header}"><h1>${title}</h1></header>
  <main>
${body.trim()}
  </main>
  <footer><p>Old Fire Station, Ferndrake. The office is open Tuesday to Friday.</p></footer>
</body>
</html>
`;
}

export const SHEETS: Readonly<Record<string, string>> = {
  'css/plain.css': `/* 2017 */
body { font: 16px/1.5 Verdana, sans-serif; background: #eef1ee; margin: 0 }
#page { width: 960px; margin: 0 auto; background: #fff; padding: 12px 24px }
header { display: flex; gap: 16px; align-items: center; border-bottom: 3px solid #1f4a5a }
.menu { list-style: none; display: flex; gap: 14px; padding: 0 }
figure { margin: 0 0 12px; } figure.right { float: right; margin-left: 16px }
figcaption { font-size: 13px; color: #555 }
table.thumbs td { padding: 6px; text-align: center; font-size: 12px }
.old-banner { background: url(../img/unused-old-banner.jpg) no-repeat }
`,
  'css/site.css': `:root { --ink: #18222e }
* { box-sizing: border-box }
body { margin: 0; font: 17px/1.55 Georgia, serif; color: var(--ink) }
nav { display: flex; flex-wrap: wrap; gap: 14px; align-items: center; padding: 10px 20px; background: #173642 }
nav a { color: #fff; text-decoration: none }
main { max-width: 1080px; margin: 0 auto; padding: 20px }
img { max-width: 100%; height: auto }
.head { min-height: 180px; padding: 60px 20px 20px; color: #fff; background: #173642 url("../img/river-door.jpg") center / cover }
.grid { display: grid; grid-template-columns: repeat(auto-fill, minmax(220px, 1fr)); gap: 18px }
.slides { list-style: none; padding: 0; display: flex; gap: 12px; overflow: auto }
figcaption { font-size: 14px; color: #4b5865 }
`,
  'css/courses.css': `/* page heads of the courses */
.head-summer { background-image: url('../img/sample_600x400.png'); }
.head-winter { background-image: url(../img/choir-winter-960.jpg) }
`,
};
