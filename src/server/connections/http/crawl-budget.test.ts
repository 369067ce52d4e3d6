import { describe, expect, it } from 'vitest';
import { crawlBudget } from './crawl-budget';

describe('the budget of a crawl', () => {
  it('ends after so many requests', () => {
    const budget = crawlBudget(10, () => 0);
    for (let n = 1; n < budget.maxRequests; n++) budget.spend();
    expect(budget.spent).toBeNull();
    budget.spend();
    expect(budget.spent).toBe('requests');
  });

  it('ends after so much time, of which a pace that the host asks for is none', () => {
    let now = 5000;
    const [plain, paced] = [crawlBudget(10, () => now), crawlBudget(10, () => now)];
    paced.paced(10_000);
    now += 135_000;
    expect([plain.spent, paced.spent]).toEqual(['time', null]);
    expect([plain.atOnce(6), paced.atOnce(6)]).toEqual([6, 1]);
    now += paced.maxRequests * 10_000;
    expect(paced.spent).toBe('time');
  });

  it('ends within a day, whatever the pace', () => {
    let now = 0;
    const budget = crawlBudget(100_000, () => now);
    budget.paced(10_000);
    now = 24 * 3_600_000 - 1;
    expect(budget.spent).toBeNull();
    now++;
    expect(budget.spent).toBe('time');
  });
});
