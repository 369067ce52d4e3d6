/** What rules know of a language: data that each language's file fills; nothing here looks at any site. */
export interface Vocabulary {
  /** Articles, prepositions, pronouns, auxiliaries: every sentence has some, and they tell languages apart. */
  readonly functionWords: readonly string[];
  /** Colours, sizes, numbers and things that descriptions are full of. */
  readonly commonWords: readonly string[];
  /** Words after which something must come. */
  readonly openEnds: readonly string[];
  /** Words that begin a clause at whose end a preposition may stand. */
  readonly relatives: readonly string[];
  /** Sorts of pictures that hold figures, ways or dates: naming the sort gives none of them. */
  readonly holdsFigures: readonly string[];
  /** Sorts of pictures that hold text. */
  readonly holdsText: readonly string[];
  /** A text that sends its readers to a picture. */
  readonly sendsToPicture: RegExp;
  /** An alt text that says that its content stands beside. */
  readonly toldBeside: RegExp;
  /** Words for a picture, by which a text that sends readers to it names it. */
  readonly pictureWords: readonly string[];
  /** What is drawn on icons. */
  readonly iconLooks: readonly string[];
  /** What buttons and links do, and where they lead. */
  readonly deeds: readonly string[];
  /** Words that hold for nearly everything, or for all of a page. */
  readonly tooGeneral: readonly string[];
  /** Words for any person. */
  readonly anyPerson: readonly string[];
  /** What only adorns a page. */
  readonly ornaments: readonly string[];
  /** Documents, films and sounds, by their kind. */
  readonly mediaWords: readonly string[];
  /** Notes that whoever made the page left to themselves. */
  readonly workNotes: RegExp;
  /** Words of a template where a caption should be. */
  readonly captionPrompts: RegExp;
  /** A picture that a caption finds by its place on the page. */
  readonly placeOnPage: RegExp;
  /** Above or below, as where another picture stands. */
  readonly aboveBelow: RegExp;
  /** What is still to come. */
  readonly toCome: RegExp;
  /** Seasons, each with words that belong to it and to no other, months aside: winter, spring, summer, autumn. */
  readonly seasons: readonly (readonly string[])[];
  readonly colours: readonly string[];
  /** Pairs of words of which a thing is one at a time. */
  readonly opposites: readonly (readonly [readonly string[], readonly string[]])[];
}
