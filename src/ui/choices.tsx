import { Chip } from './chip';

interface ChoicesProps<T extends string> {
  names: readonly T[];
  labels: Readonly<Record<T, string>>;
  chosen: T;
  counts?: Readonly<Partial<Record<T, number>>> | undefined;
  hrefOf: (name: T) => string;
}

/** The filters or the orders of a list, one of which is chosen. */
export function Choices<T extends string>({ names, labels, chosen, counts, hrefOf }: ChoicesProps<T>) {
  return names.map((name) => (
    <Chip
      key={name}
      href={hrefOf(name)}
      isChosen={chosen === name}
      label={labels[name]}
      count={counts?.[name]}
    />
  ));
}
