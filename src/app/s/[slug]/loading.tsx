/** Stands where a list will be while the database is asked. */
export default function Loading() {
  return (
    <div role="status" className="min-h-[calc(100vh-46px)] bg-sheet px-5 py-4 text-ink-3">
      Looking it up …
    </div>
  );
}
