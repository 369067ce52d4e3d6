/** Words that rules know, by language; data, not rules. A page's own language decides; without one, all count. */

export interface WordList {
  /** Alt texts that say nothing but that there is a picture; compared whole, in lower case. */
  readonly generic: readonly string[];
  /** Words for a picture, and words that add nothing to one: “main image”, “a picture of”. */
  readonly noun: readonly string[];
  readonly filler: readonly string[];
  /** Alt texts that say what sort of picture it is, and not what is on it. */
  readonly sortOnly: readonly string[];
  /** How an alt text begins that says “picture of” first. */
  readonly pictureOf: RegExp;
}

const LISTS: Readonly<Record<string, WordList>> = {
  en: {
    generic: ['scan', 'draft', 'image', 'images', 'picture', 'pictures', 'pic', 'photo', 'photos', 'photograph', 'thumbnail', 'thumb', 'button', 'link', 'click here', 'here', 'more', 'read more', 'img', 'pict', 'slide', 'spacer', 'blank', 'bullet', 'alt', 'alt text', 'text', 'title', 'untitled', 'no title', 'description', 'caption', 'photo 1', 'enlarge', 'zoom', 'background', 'decorative', 'decoration', 'null', 'undefined', 'none', 'n/a', 'temp', 'test', 'todo', 'tbd', 'tba', 'nan', 'true', 'false', 'object object', 'asdf', 'asdfgh', 'qwerty', 'foo', 'bar', 'foobar', 'blah', 'blah blah', 'abc', 'graphic', 'unnamed', 'no name', 'no description', 'no alt', 'no caption', 'hero', 'featured', 'click', 'click to enlarge', 'see more', 'learn more', 'view image', 'description of image', 'image alt text', 'logo image'], // oxfmt-ignore
    sortOnly: ['icon', 'logo', 'banner', 'header', 'illustration', 'drawing', 'poster', 'flyer', 'map', 'chart', 'diagram', 'screenshot', 'cover', 'graphics', 'figure', 'graph', 'plot', 'arrow', 'arrows', 'avatar', 'portrait', 'headshot', 'collage', 'infographic', 'painting', 'sketch'], // oxfmt-ignore
    noun: ['image', 'images', 'picture', 'pictures', 'pic', 'pics', 'photo', 'photos', 'photograph', 'photographs', 'img', 'graphic', 'thumbnail', 'thumb'], // oxfmt-ignore
    filler: ['a', 'an', 'the', 'this', 'is', 'of', 'showing', 'with', 'for', 'here', 'my', 'our', 'new', 'main', 'hero', 'featured', 'feature', 'header', 'background', 'bg', 'default', 'decorative', 'full', 'large', 'small', 'big', 'page', 'post', 'article', 'blog', 'content', 'web', 'website', 'site', 'profile', 'stock', 'generic', 'random', 'some', 'please', 'needed', 'wanted', 'missing', 'pending', 'soon', 'coming', 'come', 'to', 'follow', 'follows', 'goes', 'add', 'insert', 'replace', 'another', 'better', 'other', 'old', 'banner', 'footer', 'teaser', 'slider', 'carousel', 'cover', 'card', 'tile', 'sidebar', 'section', 'desktop', 'mobile', 'tablet', 'phone', 'homepage', 'home', 'landing', 'left', 'right', 'top', 'bottom', 'wide', 'square', 'copy', 'final', 'version', 'updated', 'updating', 'no', 'not', 'available', 'yet', 'and', 'text', 'caption', 'title'], // oxfmt-ignore
    pictureOf:
      /^(?:an? |the )?(?:image|picture|photo(?:graph)?|pic|graphic|drawing|illustration|icon) (?:of|showing|shows|depicting|with)\b/iu,
  },
  de: {
    generic: ['scan', 'test', 'entwurf', 'bild', 'bilder', 'foto', 'fotos', 'fotografie', 'vorschau', 'vorschaubild', 'button', 'link', 'hier klicken', 'hier', 'mehr', 'weiterlesen', 'platzhalter', 'titel', 'ohne titel', 'unbenannt', 'beschreibung', 'bildunterschrift', 'alternativtext', 'vergrößern', 'hintergrund', 'dekoration', 'absenden', 'siehe bild'], // oxfmt-ignore
    sortOnly: ['symbol', 'logo', 'banner', 'abbildung', 'zeichnung', 'plakat', 'flyer', 'karte', 'diagramm', 'bildschirmfoto', 'titelbild', 'grafik', 'pfeil', 'porträt'], // oxfmt-ignore
    noun: ['bild', 'bilder', 'foto', 'fotos', 'fotografie', 'vorschaubild'],
    filler: ['ein', 'eine', 'das', 'der', 'die', 'ist', 'von', 'vom', 'des', 'mit', 'zu', 'hier', 'unser', 'unsere', 'neues', 'großes', 'kleines', 'seite', 'beitrag', 'artikel', 'folgt', 'fehlt', 'fehlen', 'bitte', 'noch', 'kommt', 'später', 'einfügen', 'ergänzen', 'nachreichen', 'gesucht', 'neu', 'alt', 'altes', 'anderes', 'besseres', 'kein', 'keine', 'vorhanden', 'groß', 'klein', 'links', 'rechts', 'startseite', 'kopf', 'kopfzeile', 'hintergrund', 'hauptbild', 'und', 'text', 'titel', 'hier', 'im', 'in', 'auf', 'für', 'über'], // oxfmt-ignore
    pictureOf:
      /^(?:ein |das |eine |die )?(?:bild|foto|fotografie|grafik|zeichnung|abbildung|symbol) (?:von|vom|einer?s?|der|des|mit|zeigt)(?!\p{L})/iu,
  },
  fr: {
    generic: ['essai', 'test', 'scan', 'image', 'images', 'photo', 'photos', 'photographie', 'vignette', 'bouton', 'lien', 'cliquez ici', 'ici', 'plus', 'lire la suite', 'en savoir plus', 'capture', 'titre', 'sans titre', 'description', 'légende', 'agrandir', 'fond', 'décoration', 'envoyer', 'image décorative'], // oxfmt-ignore
    sortOnly: ['icône', 'icone', 'logo', 'bannière', 'illustration', 'dessin', 'affiche', 'carte', 'schéma', 'graphique', 'flèche', 'portrait'], // oxfmt-ignore
    noun: ['image', 'images', 'photo', 'photos', 'photographie', 'vignette'],
    filler: ['un', 'une', 'le', 'la', 'l', 'de', 'du', 'des', 'd', 'avec', 'est', 'ici', 'notre', 'principale', 'grande', 'petite', 'page', 'article', 'à', 'venir', 'manquante', 'manquant', 'bientôt', 'svp', 'merci', 'nouvelle', 'nouveau', 'ancienne', 'autre', 'meilleure', 'ajouter', 'insérer', 'remplacer', 'changer', 'mettre', 'gauche', 'droite', 'accueil', 'fond', 'bandeau', 'bannière', 'mobile', 'bureau', 'tablette', 'web', 'mettez', 'placer', 'choisir', 'en', 'tête', 'pour', 'sans', 'texte', 'titre', 'et', 'non', 'disponible'], // oxfmt-ignore
    pictureOf:
      /^(?:une? |la |le |l['’])?(?:image|photo(?:graphie)?|dessin|illustration|icône) (?:de|du|des|d['’]|montrant|avec)(?:\s|(?<=['’]))/iu,
  },
  es: {
    generic: ['prueba', 'escaneo', 'imagen', 'imágenes', 'foto', 'fotos', 'fotografía', 'miniatura', 'botón', 'enlace', 'haz clic aquí', 'aquí', 'más', 'leer más', 'captura', 'título', 'sin título', 'descripción', 'pie de foto', 'ampliar', 'fondo', 'decoración', 'enviar', 'imagen decorativa'], // oxfmt-ignore
    sortOnly: ['icono', 'logo', 'logotipo', 'banner', 'ilustración', 'dibujo', 'cartel', 'mapa', 'gráfico', 'flecha', 'retrato'], // oxfmt-ignore
    noun: ['imagen', 'imágenes', 'foto', 'fotos', 'fotografía', 'miniatura'],
    filler: ['un', 'una', 'el', 'la', 'de', 'del', 'con', 'es', 'aquí', 'nuestra', 'principal', 'grande', 'pequeña', 'página', 'artículo', 'aquí', 'falta', 'pendiente', 'próximamente', 'poner', 'añadir', 'insertar', 'cambiar', 'reemplazar', 'sustituir', 'nueva', 'nuevo', 'vieja', 'antigua', 'otra', 'mejor', 'por', 'favor', 'esta', 'este', 'izquierda', 'derecha', 'inicio', 'portada', 'fondo', 'cabecera', 'móvil', 'escritorio', 'tableta', 'web', 'para', 'sin', 'texto', 'título', 'y', 'no', 'disponible'], // oxfmt-ignore
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
