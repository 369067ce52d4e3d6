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
  const { value, error } = schema.validate(input);
  if (!error) return value;
  throw new ProblemError({
    ...refusal,
    why: error.message.replace(/\.?$/, '.'),
    remedy: 'Mend it and try again.',
  });
}
