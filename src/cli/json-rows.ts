import { readFile } from 'node:fs/promises';
import type Joi from 'joi';
import { ProblemError } from '@/server/problem-error';

/** A row of a file of JSON lines, with the number of its line from 1. */
export interface NumberedRow<T> {
  readonly line: number;
  readonly row: T;
}

/**
 * The rows of a file of JSON lines; empty lines are passed over.
 *
 * @param told what a row is, and what to give instead, for the message
 * @throws ProblemError `ROWS_UNUSABLE` where the file can't be read, or a line is no such row
 */
export async function readJsonRows<T>(
  file: string,
  schema: Joi.ObjectSchema<T>,
  told: { readonly row: string; readonly remedy: string },
): Promise<NumberedRow<T>[]> {
  const unusable = (what: string, why: string) =>
    new ProblemError({ code: 'ROWS_UNUSABLE', what, why, remedy: told.remedy });
  const text = await readFile(file, 'utf8').catch(() => {
    throw unusable(`${file} can’t be read.`, 'There is no such file, or Ibidem may not open it.');
  });
  return text.split('\n').flatMap((line, i) => {
    if (line.trim() === '') return [];
    let row: unknown;
    try {
      row = JSON.parse(line);
    } catch (error) {
      throw unusable(`Line ${i + 1} of ${file} is not JSON.`, String(error));
    }
    const { value, error } = schema.validate(row, { convert: false });
    if (error) throw unusable(`Line ${i + 1} of ${file} is not ${told.row}.`, `${error.message}.`);
    return [{ line: i + 1, row: value as T }];
  });
}
