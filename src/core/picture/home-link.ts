/** Whether a link leads to a site's first page, as those of logos do. */
export function isHomeLink(href: string | null | undefined): boolean {
  return (
    href !== null &&
    href !== undefined &&
    /^(?:\.{0,2}\/)*(?:(?:index|default|home)\.\w+)?(?:[?#].*)?$/iu.test(href) &&
    href !== '' &&
    !href.startsWith('#')
  );
}
