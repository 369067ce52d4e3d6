import { runProgram, UNUSABLE } from './program';

process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  // A reader that has seen enough (`| head`) closes the pipe; that is no failure.
  process.exit(error.code === 'EPIPE' ? 0 : UNUSABLE);
});

process.exitCode = await runProgram(process.argv.slice(2));
