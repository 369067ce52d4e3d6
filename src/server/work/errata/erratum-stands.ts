/** SQL: whether a person lets the erratum `e` of the site `$1` stand. Not asked of each erratum: the stets are few. */
export const ERRATUM_STANDS = `(e.page_path, e.key) in (select s.page_path, s.key from stets s
  where s.site_id = $1 and (s.until is null or s.until >= current_date))`;
