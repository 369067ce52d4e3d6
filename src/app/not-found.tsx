import { Link } from '@/ui/link';

export default function NotFound() {
  return (
    <main className="mx-auto mt-24 max-w-xl border border-line bg-sheet p-8">
      <h1 className="font-serif text-xl font-semibold">There is nothing at this address</h1>
      <p className="mt-3">
        The page or picture may be gone since the last survey, or the address was mistyped.
      </p>
      <p className="mt-4">
        <Link className="font-semibold text-green" href="/">
          Back to the sites
        </Link>
      </p>
    </main>
  );
}
