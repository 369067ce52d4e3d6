/** What belongs to a picture, or is a paragraph that holds it: text below the picture comes after all of it. */
export const WRAPS = new Set(['a', 'picture', 'figure', 'p', 'span', 'strong', 'em', 'b', 'i', 'u', 'small']);
