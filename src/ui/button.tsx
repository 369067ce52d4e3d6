import type { ButtonHTMLAttributes } from 'react';

type Weight = 'main' | 'plain' | 'quiet';

const LOOK: Readonly<Record<Weight, string>> = {
  main: 'border-green bg-green text-green-ink',
  plain: 'border-ink bg-sheet text-ink',
  quiet: 'border-line bg-sheet text-ink-2',
};

/** Classes of a button, for links that look like one. */
export function buttonClass(weight: Weight = 'plain'): string {
  return `inline-flex items-center justify-center gap-2 rounded-sm border px-3 py-1.5 font-semibold disabled:opacity-55 ${LOOK[weight]}`;
}

interface ButtonProps extends ButtonHTMLAttributes<HTMLButtonElement> {
  weight?: Weight;
}

/** A button; one `main` a screen. */
export function Button({ weight = 'plain', type = 'button', className = '', ...rest }: ButtonProps) {
  return <button type={type} className={`${buttonClass(weight)} ${className}`} {...rest} />;
}
