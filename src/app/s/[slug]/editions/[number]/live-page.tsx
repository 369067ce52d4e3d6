/** The way to a page as readers see it now, where the site has an address. */
export function LivePage({ liveUrl, path }: { liveUrl: string | null; path: string }) {
  if (!liveUrl) return null;
  return (
    <a
      href={`${liveUrl}/${path}`}
      target="_blank"
      rel="noreferrer"
      className="ml-2 text-sm font-semibold text-green"
    >
      live page
    </a>
  );
}
