/** SQL: whether the place `x` has words that can be written; as `takesWords` says of its anchors. */
export const TAKES_WORDS = `(x.words -> 'alt' <> 'null' or x.words -> 'addAttribute' <> 'null' or x.words -> 'caption' <> 'null')`;
