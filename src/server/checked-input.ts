import type { ObjectSchema } from 'joi';
import { ProblemError } from './problem-error';

/**
 * What a person sent, checked and made ready by a schema.
 *
 * @param refusal code of the problem, and what did not happen: “The section was not saved.”
 * @throws ProblemError with that code, and what the schema says is wrong
 */
export function checkedInput<T>(
  schema: ObjectSchema<T>,
  input: T,
  refusal: { readonly code: string; readonly what: string },
): T {
  if (holdsNul(input)) {
    throw new ProblemError({
      ...refusal,
      why: 'It holds a character that no text can have (U+0000).',
      remedy: 'Take it out and try again.',
    });
  }
  const { value, error } = schema.validate(input);
  if (!error) return value;
  throw new ProblemError({
    ...refusal,
    why: error.message.replace(/\.?$/, '.'),
    remedy: 'Mend it and try again.',
  });
}

/** Whether a text anywhere in what was sent holds U+0000, which the database can't keep. */
function holdsNul(input: unknown): boolean {
  if (typeof input === 'string') return input.includes('\0');
  if (typeof input !== 'object' || input === null) return false;
  return Object.entries(input).some(([key, value]) => key.includes('\0') || holdsNul(value));
}
