import type { FormEvent } from 'react';

/**
 * A form's submit handler that leaves what was typed in its fields. A form `action` empties them when it is done, also
 * when it was refused, and then everything would have to be typed again.
 */
export function keepingSubmit(run: (form: FormData) => void): (event: FormEvent<HTMLFormElement>) => void {
  return (event) => {
    event.preventDefault();
    run(new FormData(event.currentTarget));
  };
}
