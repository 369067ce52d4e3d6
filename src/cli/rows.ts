import { once } from 'node:events';

/** Prints one row of JSON; waits where the reader of the pipe is slower. */
export async function printRow(row: unknown): Promise<void> {
  await printText(`${JSON.stringify(row)}\n`);
}

export async function printText(text: string): Promise<void> {
  if (!process.stdout.write(text)) await once(process.stdout, 'drain');
}

/** Progress for a person: one line that is written over, and nothing at all where nobody watches. */
export function showProgress(text: string): void {
  if (process.stderr.isTTY) process.stderr.write(`\r\u001b[K${text}`);
}

/** A line for the person at the terminal; rows stay on standard output alone. */
export function say(line: string): void {
  showProgress('');
  process.stderr.write(`ibidem: ${line}\n`);
}

/** Says of a file that it was listed and can’t be read: the others are read all the same. */
export const sayUnread = ({ path, reason }: { readonly path: string; readonly reason: string }): void =>
  say(`${path}: ${reason}`);
