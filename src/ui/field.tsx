import type { InputHTMLAttributes } from 'react';

interface FieldProps extends InputHTMLAttributes<HTMLInputElement> {
  label: string;
  hint?: string;
}

/** One line of input with its label, and what readers or Ibidem do with it. */
export function Field({ label, hint, id, name, className = '', ...rest }: FieldProps) {
  const own = id ?? name;
  return (
    <div>
      <label htmlFor={own} className="block text-sm text-ink-2">
        {label}
      </label>
      <input
        id={own}
        name={name}
        aria-describedby={hint ? `${own}-hint` : undefined}
        className={`mt-1 w-full rounded-sm border border-ink-3 bg-sheet px-2.5 py-1.5 ${className}`}
        {...rest}
      />
      {hint ? (
        <p id={`${own}-hint`} className="mt-1 text-sm text-ink-3">
          {hint}
        </p>
      ) : null}
    </div>
  );
}
