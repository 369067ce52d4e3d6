import { describe, expect, it } from 'vitest';
import { Frontier } from './frontier';

describe('the order of a crawl', () => {
  it('is that in which addresses were found', () => {
    const frontier = new Frontier<number>();
    for (let n = 0; n < 25_000; n++) frontier.add(n, `page ${n % 7}`);
    const order = Array.from({ length: 25_000 }, () => frontier.next());
    expect(order).toEqual(Array.from({ length: 25_000 }, (_, n) => n));
    expect([frontier.next(), frontier.size]).toEqual([undefined, 0]);
  });

  it('puts what a page of dead links leads to behind all others', () => {
    const frontier = new Frontier<string>();
    for (let n = 0; n < 1000; n++) frontier.add(`dead ${n}`, 'bad page');
    for (let n = 0; n < 5; n++) frontier.add(`good ${n}`, 'good page');
    const taken: string[] = [];
    for (let next = frontier.next(); next !== undefined; next = frontier.next()) {
      taken.push(next);
      const isDead = next.startsWith('dead');
      frontier.tell(isDead ? 'bad page' : 'good page', !isDead);
    }
    expect(taken).toHaveLength(1005);
    expect(taken.slice(0, 10).filter((name) => name.startsWith('good'))).toHaveLength(5);
  });

  it('forgives a page some dead links among good ones', () => {
    const frontier = new Frontier<number>();
    for (let n = 0; n < 40; n++) frontier.add(n, 'page');
    frontier.add(99, 'other');
    const taken: number[] = [];
    for (let next = frontier.next(); next !== undefined; next = frontier.next()) {
      taken.push(next);
      frontier.tell('page', next % 3 !== 0);
    }
    expect(taken.indexOf(99)).toBe(40);
  });
});
