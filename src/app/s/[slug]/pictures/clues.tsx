/** What tells that a picture is a leftover: the weightiest in one line, which unfolds into all of them. */
export function Clues({ clues }: { clues: readonly { readonly text: string; readonly weight: number }[] }) {
  const [first, ...others] = clues.filter(({ weight }) => weight > 0).toSorted((a, b) => b.weight - a.weight);
  if (!first) return null;
  if (others.length === 0) return <p>{first.text}</p>;
  return (
    <details>
      <summary className="cursor-pointer">
        {first.text} <span className="text-green">And {others.length} more</span>
      </summary>
      <ul>
        {others.map(({ text }) => (
          <li key={text}>{text}</li>
        ))}
      </ul>
    </details>
  );
}
