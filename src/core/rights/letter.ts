/** A letter that asks whoever made a picture, or owns it, whether it may be shown. */

export interface LetterFacts {
  /** Whom it is written to; empty where nobody is known yet. */
  readonly to: string;
  readonly organisation: string;
  readonly writer: string;
  readonly title: string;
  readonly fileName: string;
  /** Addresses, or paths, of the pages that show it. */
  readonly pages: readonly string[];
}

export interface Letter {
  readonly subject: string;
  readonly body: string;
}

const MOST_PAGES = 12;

/** A draft in plain words, with room for the answer: for post and for mail. */
export function letterFor({ to, organisation, writer, title, fileName, pages }: LetterFacts): Letter {
  const name = title && title !== fileName ? `“${title}” (${fileName})` : fileName;
  const listed = pages.slice(0, MOST_PAGES).map((page) => `- ${page}`);
  const more = pages.length > MOST_PAGES ? [`- and ${pages.length - MOST_PAGES} more`] : [];
  const body = [
    `Dear ${to || 'Sir or Madam'},`,
    '',
    `on the web site of ${organisation} a picture is shown of which we believe that you made it or own it: ${name}. It stands on`,
    '',
    ...(pages.length > 0 ? [...listed, ...more] : ['- no page at present']),
    '',
    'We have no record of how it came to us. Would you please tell us',
    '',
    '1. whether the picture is yours, and who made it;',
    '2. whether we may show it: on the whole site or on which pages, until when, and whether we may cut it to shape;',
    '3. which words you would like to have beside it, and whether there is a fee.',
    '',
    'If you would rather not see it there, tell us, and we take it off at once.',
    '',
    'With kind regards',
    writer,
    organisation,
    '',
    '------------------------------------------------------------',
    'Answer:  ( ) may be shown   ( ) may be shown until __________   ( ) may not be shown',
    'Words beside it: ____________________________________________',
    'Date, name: _________________________________________________',
  ];
  return { subject: `A picture on our web site: ${fileName}`, body: body.join('\n') };
}

/** The same as a draft that a mail program opens (RFC 6068). */
export function mailDraft({ subject, body }: Letter, address: string): string {
  const lines = body.replaceAll('\n', '\r\n');
  return `mailto:${encodeURIComponent(address).replaceAll('%40', '@')}?subject=${encodeURIComponent(subject)}&body=${encodeURIComponent(lines)}`;
}
