/** The commands of the command line and what each is given. */
import { Command, CommanderError, InvalidArgumentError, Option } from 'commander';
import { problemText } from '@/core/problem';
import { ProblemError } from '@/server/problem-error';

/** Exit code for input that can't be used. */
export const UNUSABLE = 2;

/** A command ends with its exit code; with none where all that can be told is that it went well. */
type Ends = Promise<number> | Promise<void>;

/**
 * Runs one command; rows go to standard output, what a person is told to standard error.
 *
 * @param args as they stand behind the name of the program
 * @returns the exit code: 0, 1 where something was found that was asked to fail on or not all could be done, 2 for input that
 *   can't be used
 */
export async function runProgram(args: readonly string[]): Promise<number> {
  const ended = { code: 0 };
  try {
    await programOf(ended).parseAsync(args, { from: 'user' });
    return ended.code;
  } catch (error) {
    if (error instanceof CommanderError) return error.exitCode === 0 ? 0 : UNUSABLE;
    const text =
      error instanceof ProblemError
        ? problemText(error.problem)
        : String(error instanceof Error ? error.stack : error);
    process.stderr.write(`ibidem: ${text}\n`);
    return UNUSABLE;
  }
}

function programOf(ended: { code: number }): Command {
  const program = new Command('ibidem')
    .description(
      'Reads sites, and swaps pictures in them, without a screen. Rows of JSON go to standard output.',
    )
    .exitOverride();

  /** A command whose code is loaded once it is asked for: the others cost nothing. */
  const of =
    <Given extends readonly unknown[]>(load: () => Promise<(...given: Given) => Ends>) =>
    async (...given: Given): Promise<void> => {
      const code = await (await load())(...given);
      if (typeof code === 'number') ended.code = code;
    };

  /** A command that reads a SITE, with the options that go with that. */
  const siteCommand = (name: string, description: string): Command =>
    program
      .command(name)
      .description(description)
      .argument('<site>', 'a folder, a .zip, or an http(s) address to crawl')
      .option('--max-pages <count>', 'read at most so many pages of a site given by its address', count)
      .option('--allow-private', 'let the address be one of this machine or its private network');

  siteCommand('read', 'list every placement of a site, a JSON line each').action(
    of(async () => (await import('./read')).readCommand),
  );

  siteCommand('check', 'list what is wrong with the pictures of a site, a JSON line each')
    .option('--rule <id>', 'only this rule, as in alt/absent')
    .addOption(
      new Option('--fail-on <degree>', 'end with 1 where something of this degree or above is found').choices(
        ['must', 'should', 'note'],
      ),
    )
    .option('--read-texts', 'read the words within pictures as well; about a second for each')
    .action(of(async () => (await import('./check')).checkCommand));

  siteCommand('swap', 'put another picture wherever one stands')
    .option('--from <address>', 'the picture that stands there, as in the column url of `read`')
    .option('--to <file>', 'the picture to put in')
    .option(
      '--pairs <file>',
      'many at once: JSON lines with from, to, and alt, caption, focal where they are wanted',
    )
    .option('--family', 'take the other sizes, croppings and formats of the same picture along')
    .option('--out <folder>', 'where the changed site is written')
    .addOption(new Option('--dry-run', 'print the edits and write nothing').conflicts('diff'))
    .option('--diff', 'print a unified diff instead of edits, and write nothing')
    .action(of(async () => (await import('./swap')).swapCommand));

  siteCommand('apply', 'apply rows of edits exactly')
    .argument('<edits>', 'a file of JSON lines, as `swap` prints them')
    .requiredOption('--out <folder>', 'where the changed site is written')
    .action(of(async () => (await import('./apply')).applyCommand));

  siteCommand('rights', 'say of every picture in every place whether it may stand there, a JSON line each')
    .requiredOption('--records <file>', 'what is recorded of rights: JSON lines, or CSV with the same names')
    .option('--on <day>', 'the day that is asked about, as YYYY-MM-DD; today where it is left out')
    .addOption(new Option('--fail-on <answer>', 'end with 1 where something may not stand').choices(['no']))
    .action(of(async () => (await import('./rights')).rightsCommand));

  program
    .command('families')
    .description('say which files of a folder are one picture, a JSON line a file')
    .argument('<folder>', 'a folder or a .zip')
    .action(of(async () => (await import('./families')).familiesCommand));

  program
    .command('dates')
    .description('say when the pictures of a folder were taken and what tells it, a JSON line a file')
    .argument('<folder>', 'a folder or a .zip')
    .action(of(async () => (await import('./dates')).datesCommand));

  program
    .command('focus')
    .description(
      'say where the subject of each picture of a folder is, and the crop of each shape, a JSON line each',
    )
    .argument('<folder>', 'a folder or a .zip')
    .option('--shapes <shapes>', 'width to height, with commas between them', '1:1,16:9,3:4')
    .option('--no-heads', 'do not look for heads')
    .action(of(async () => (await import('./focus')).focusCommand));
  return program;
}

const count = (text: string): number => {
  if (/^[1-9]\d*$/.test(text)) return Number(text);
  throw new InvalidArgumentError('It must be a whole number above 0.');
};
