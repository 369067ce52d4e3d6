/** Words that rules know, by language; data, not rules. A page's own language decides; without one, all count. */

export interface WordList {
  /** Alt texts that say nothing but that there is a picture; compared whole, in lower case. */
  readonly generic: readonly string[];
  /** Alt texts that say what sort of picture it is, and not what is on it. */
  readonly sortOnly: readonly string[];
  /** How an alt text begins that says “picture of” first. */
  readonly pictureOf: RegExp;
}

const LISTS: Readonly<Record<string, WordList>> = {
  en: {
    generic: ['image', 'images', 'picture', 'pictures', 'pic', 'photo', 'photos', 'photograph', 'thumbnail', 'thumb', 'button', 'link', 'click here', 'here', 'more', 'read more', 'img', 'pict', 'slide', 'spacer', 'blank', 'bullet', 'alt', 'alt text', 'text', 'title', 'untitled', 'no title', 'description', 'caption', 'photo 1', 'enlarge', 'zoom', 'background', 'decorative', 'decoration', 'null', 'undefined', 'none', 'n/a', 'temp', 'test', 'todo', 'tbd'], // prettier-ignore
    sortOnly: ['icon', 'logo', 'banner', 'header', 'illustration', 'drawing', 'poster', 'flyer', 'map', 'chart', 'diagram', 'screenshot', 'cover', 'graphic', 'graphics', 'figure'], // prettier-ignore
    pictureOf:
      /^(?:an? |the )?(?:image|picture|photo(?:graph)?|pic|graphic|drawing|illustration|icon) (?:of|showing|shows|depicting|with)\b/iu,
  },
  de: {
    generic: ['bild', 'bilder', 'foto', 'fotos', 'fotografie', 'vorschau', 'vorschaubild', 'button', 'link', 'hier klicken', 'hier', 'mehr', 'weiterlesen', 'platzhalter', 'titel', 'ohne titel', 'unbenannt', 'beschreibung', 'bildunterschrift', 'alternativtext', 'vergrößern', 'hintergrund', 'dekoration'], // prettier-ignore
    sortOnly: ['symbol', 'logo', 'banner', 'abbildung', 'zeichnung', 'plakat', 'flyer', 'karte', 'diagramm', 'bildschirmfoto', 'titelbild', 'grafik'], // prettier-ignore
    pictureOf:
      /^(?:ein |das |eine |die )?(?:bild|foto|fotografie|grafik|zeichnung|abbildung|symbol) (?:von|vom|einer?s?|der|des|mit|zeigt)(?!\p{L})/iu,
  },
  fr: {
    generic: ['image', 'images', 'photo', 'photos', 'photographie', 'vignette', 'bouton', 'lien', 'cliquez ici', 'ici', 'plus', 'lire la suite', 'en savoir plus', 'capture', 'titre', 'sans titre', 'description', 'légende', 'agrandir', 'fond', 'décoration'], // prettier-ignore
    sortOnly: ['icône', 'icone', 'logo', 'bannière', 'illustration', 'dessin', 'affiche', 'carte', 'schéma', 'graphique'], // prettier-ignore
    pictureOf:
      /^(?:une? |la |le |l['’])?(?:image|photo(?:graphie)?|dessin|illustration|icône) (?:de|du|des|d['’]|montrant|avec)(?:\s|(?<=['’]))/iu,
  },
  es: {
    generic: ['imagen', 'imágenes', 'foto', 'fotos', 'fotografía', 'miniatura', 'botón', 'enlace', 'haz clic aquí', 'aquí', 'más', 'leer más', 'captura', 'título', 'sin título', 'descripción', 'pie de foto', 'ampliar', 'fondo', 'decoración'], // prettier-ignore
    sortOnly: ['icono', 'logo', 'logotipo', 'banner', 'ilustración', 'dibujo', 'cartel', 'mapa', 'gráfico'], // prettier-ignore
    pictureOf:
      /^(?:una? |la |el )?(?:imagen|foto(?:grafía)?|dibujo|ilustración|icono) (?:de|del|que muestra|con)(?!\p{L})/iu,
  },
};

const ALL = Object.values(LISTS);

/**
 * The lists that hold for a page: that of its language and the English one, which templates bring along; all of them
 * where the page does not say, or says one that has no list.
 *
 * @param language BCP 47, as in `de-CH`
 */
export function wordLists(language: string | null): readonly WordList[] {
  const primary = language?.toLowerCase().split('-')[0] ?? '';
  const own = LISTS[primary];
  if (!own) return ALL;
  return primary === 'en' ? [own] : [own, LISTS['en'] as WordList];
}
