/** Recognises a line that says it stands for all pictures of its page. */

const ALL =
  /\b(?:all|every|each) (?:of )?(?:the |our |other |remaining |its )*(?:photos?|photographs?|pictures?|images?|illustrations?)\b(?!\s+(?:of|from|in|at|with|showing)\s+(?!(?:this|the) (?:page|article|site|website|text|gallery)))|\b(?:photos|photographs|pictures|images|illustrations)\s+(?:on|of|in|throughout)\s+(?:this|the)\s+(?:page|article|site|website|gallery)\b|\b(?:photos|photographs|pictures|images) throughout\b|\bunless (?:otherwise|stated|noted|credited|indicated)\b|\b(?:alle|sämtliche) (?:anderen |übrigen |weiteren |restlichen )?(?:fotos|fotografien|bilder|aufnahmen|abbildungen)\b|\b(?:fotos|bilder|aufnahmen) (?:auf|dieser) (?:dieser )?seite\b|\b(?:soweit|sofern|wenn) nicht anders\b|\btou(?:te)?s les (?:autres )?(?:photos|images|photographies|clichés)\b|\b(?:photos|images) (?:de|sur) (?:cette|la) page\b|\bsauf (?:mention|indication) contraire\b|\btodas las (?:demás |otras )?(?:fotos|imágenes|fotografías)\b|\b(?:fotos|imágenes) (?:de|en) esta página\b|\bsalvo (?:que se )?indi/iu;
const EXCEPTED =
  /(?<!\p{L})(?:except(?:ing)?(?: for)?|apart from|other than|but not|außer|ausser|ausgenommen|bis auf|sauf|excepté|hormis|excepto|salvo)(?!\p{L})(?! (?:where|when|as|otherwise|mention|indication|que|wo|où|indi))/iu;

/** Whether a line speaks for all pictures of its page. */
export const isForAll = (line: string): boolean => ALL.test(line);

/** Where a line begins to name what it does not speak for; its length where it excepts nothing. */
export function exceptedFrom(line: string): number {
  const found = EXCEPTED.exec(line);
  return found ? found.index : line.length;
}

const CREDITS_PAGE =
  /\b(?:photo(?:graph|graphy)?|picture|image|illustration)s?(?:['’]s?)?(?: and \w+)? (?:credits?|sources?|acknowledg(?:e)?ments)\b|\bcredits? (?:for|to) (?:the |our )?(?:photos|pictures|images)\b|\b(?:bild|foto|abbildungs)(?:er)?[\s-]?(?:nachweise?n?|quellen?|verzeichnis|rechte)\b|\bbild- und fotonachweise?\b|\bnachweise? der (?:bilder|fotos)\b|\bcrédits? (?:des )?(?:photos?|photographiques?|images?|iconographiques?|illustrations?)\b|\bsources? des (?:images|photos)\b|\bcréditos? (?:de )?(?:las )?(?:fotos?|fotográficos?|imágenes|fotografías|imagen)\b/iu;

/** Whether a title or heading is that of a page of picture credits, in one of the languages that Ibidem reads. */
export const isCreditsTitle = (title: string): boolean => CREDITS_PAGE.test(title);

const CREDIT_SIGN =
  /©|\(c\)|\b(?:photos?|photographs?|pictures?|images?|fotos?|bild(?:er)?|aufnahmen?|clichés?|imagen|illustration)\s*(?:[:|]|by\b|from\b|von\b|par\b|por\b|credits?\b|courtesy\b|copyright\b)|\b(?:credits?|copyright|courtesy of|bildnachweis|fotonachweis|bildquelle|crédits?|créditos?)\b/iu;

/** Whether a line is made like a credit. */
export const isCreditLike = (line: string): boolean => CREDIT_SIGN.test(line);
