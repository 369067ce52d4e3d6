import { wholeAttribute, type KindReader } from './kind';

/** The old `background` attribute of the body and of tables (HTML standard, §15.3.3 and §15.3.8). */
export const attributeBackground: KindReader = {
  tags: ['body', 'table', 'thead', 'tbody', 'tfoot', 'tr', 'td', 'th'],
  read: (_element, page) => wholeAttribute('attribute-background', 'background', page),
};
