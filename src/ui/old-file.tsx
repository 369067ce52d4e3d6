'use client';

interface OldFileProps {
  isOn: boolean;
  /** Whether the swap takes all its places. */
  isAll: boolean;
  onChange: (isOn: boolean) => void;
}

/** What becomes of the file that is put out. */
export function OldFile({ isOn, isAll, onChange }: OldFileProps) {
  return (
    <label className="flex items-start gap-2">
      <input
        type="checkbox"
        className="mt-1 accent-green"
        checked={isOn}
        disabled={!isAll}
        onChange={({ target }) => onChange(target.checked)}
      />
      <span>
        Use the old one nowhere else: take its file off the site
        <span className="block text-sm text-ink-2">
          {isAll
            ? 'Unless something else names it. Otherwise it stays where it is.'
            : 'Only where it leaves all its places.'}
        </span>
      </span>
    </label>
  );
}
