/** Words that templates leave behind, in the languages of the sites that are read; data, not rules. */

/**
 * In names of files, and in titles and alt texts. A sample lesson is a lesson: such words count alone, before a number,
 * or before a word for a picture.
 */
export const SAMPLE_NAMES =
  /(?:^|[^\p{L}])(?:placeholder|place-holder|(?:sample|dummy|blank)(?=[\W_]*(?:$|\d|\.|images?(?!\p{L})|img|photos?(?!\p{L})|pics?(?!\p{L})|pictures?(?!\p{L})|text|logo|banner|slide|thumb))|lorem|stock[\s_-]?photo|no[\s_-]?image|no[\s_-]?photo|no[\s_-]?picture|(?:image|photo|picture)[\s_-]?(?:is[\s_-])?(?:not[\s_-]?available|unavailable|(?:is[\s_-])?coming[\s_-]?soon)|image[\s_-]?missing|coming-?soon|default[\s_-]?(?:image|photo|picture)|example[\s_-]?(?:image|photo|picture)|template-?(?:image|photo)|your-?(?:image|photo|logo)|spacer|untitled-?image|platzhalter|beispielbild|musterbild|symbolbild|kein[\s_-]?(?:bild|foto)(?:[\s_-]?(?:vorhanden|verf[üu]gbar))?|bild[\s_-]?(?:folgt|fehlt)|(?:image|photo)[\s_-]?d[’'\s_-]?exemple|exemple[\s_-]?image|(?:image|photo)[\s_-]?(?:non|indisponible|à venir|a venir)(?:[\s_-]?disponible)?|pas d[’']image|image-?par-?d[ée]faut|imagen?[\s_-]?de[\s_-]?(?:ejemplo|muestra)|imagen[\s_-]?no[\s_-]?disponible|sin[\s_-]?imagen|marcador)(?:$|[^\p{L}])/iu;

/** Names that say no more than that there is a picture, with a number. */
export const BARE_NAMES =
  /^(?:image|img|picture|pic|photo|slide|banner|bild|foto|imagen)[\s_-]?\d{0,3}\.\w+$/iu;

/** In captions and text around a picture. */
export const SAMPLE_TEXT =
  /lorem ipsum|dolor sit amet|caption goes here|^\s*(?:image|picture|photo|figure) (?:caption|title|description)\s*$|(?:add|insert|place|put|type|write|enter) (?:a |an |your |the )?(?:image|picture|photo|caption|alt(?:ernative)? text|text|title|description)s?(?: (?:caption|title|description|alt text|text))?(?: here)?|your (?:text|caption|title|image|photo) (?:goes )?here|click to edit|sample (?:text|caption|title)|title of (?:the )?(?:image|picture)|bildunterschrift (?:hier|einf[üu]gen)|(?:text|bild) (?:hier )?einf[üu]gen|beispieltext|ins[ée]rez (?:une|votre|le)|votre texte ici|l[ée]gende ici|texto de ejemplo|inserte (?:una|su|el)|pie de foto aqu[íi]/iu;

/** A pixel size written out, as in `600x400`. */
export const WRITTEN_SIZE = /(\d{2,5})\s?[x×]\s?(\d{2,5})/u;
