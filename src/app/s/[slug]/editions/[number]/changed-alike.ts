/** An edit with the place that it belongs to. */
interface PlacedEdit {
  readonly sourcePath: string;
  readonly placeStart: number;
  readonly subject: string;
  readonly was: string;
  readonly becomes: string;
}

/** The edits place by place, and the places that change alike together. */
export function changedAlike<T extends PlacedEdit>(listed: readonly T[]): [T[], ...T[][]][] {
  const places = new Map<string, T[]>();
  for (const edit of listed) {
    const place = `${edit.sourcePath}#${edit.placeStart}`;
    places.set(place, [...(places.get(place) ?? []), edit]);
  }
  const groups = new Map<string, [T[], ...T[][]]>();
  for (const edits of places.values()) {
    const likeness = JSON.stringify(edits.map(({ subject, was, becomes }) => [subject, was, becomes]));
    const known = groups.get(likeness);
    if (known) known.push(edits);
    else groups.set(likeness, [edits]);
  }
  return [...groups.values()];
}
