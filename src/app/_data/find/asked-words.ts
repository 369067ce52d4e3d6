/**
 * SQL, the beginning of a `with`: the words of parameter 2 as a text search, in whatever part of a text they stand, and in
 * those of one weight alone. Taking a text's parts out before asking, as one could, makes each of them anew.
 */
export const ASKED = `asked as (
  select to_tsquery('simple', $2) as q, to_tsquery('simple', replace($2, ':*', ':*A')) as in_a, to_tsquery('simple', replace($2, ':*', ':*B')) as in_b,
    to_tsquery('simple', replace($2, ':*', ':*C')) as in_c, to_tsquery('simple', replace($2, ':*', ':*D')) as in_d)`;
