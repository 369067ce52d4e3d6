import { parseFragment, type DefaultTreeAdapterTypes } from 'parse5';
import { describe, expect, it } from 'vitest';
import { longRow, PlacesInRow } from './long-row';

const row = Array.from({ length: 500 }, (_, n) => ({ n }));

describe('places in a long row', () => {
  it.each([
    ['in their order', (n: number) => n],
    ['from behind', (n: number) => 499 - n],
    ['each other one, then the rest', (n: number) => (n < 250 ? n * 2 : (n - 250) * 2 + 1)],
    ['here and there', (n: number) => (n * 197) % 500],
    ['each of them twice', (n: number) => n >> 1],
  ])('are given, asked for %s', (_, order) => {
    const places = new PlacesInRow(row);
    const asked = row.map((_, n) => order(n));
    expect(asked.map((n) => places.indexOf(row[n]!))).toEqual(asked);
  });

  it('are not there for what is not in the row, whatever was asked before', () => {
    const places = new PlacesInRow(row);
    expect(places.indexOf({ n: 3 })).toBe(-1);
    expect(places.indexOf(row[400]!)).toBe(400);
    expect(places.indexOf({ n: 400 })).toBe(-1);
    expect(places.indexOf(row[7]!)).toBe(7);
  });
});

it('numbers each tag name of a row by itself', () => {
  const { childNodes } = parseFragment('<p>1</p> <b>2</b> <p>3</p>'.repeat(30));
  const numbered = longRow(childNodes);
  const told = childNodes
    .filter((node): node is DefaultTreeAdapterTypes.Element => 'tagName' in node)
    .map((node) => `${node.tagName}:${numbered.ordinal(node)}`);
  expect(told.slice(0, 6)).toEqual(['p:1', 'b:1', 'p:2', 'p:3', 'b:2', 'p:4']);
  expect(told.at(-1)).toBe('p:60');
});
