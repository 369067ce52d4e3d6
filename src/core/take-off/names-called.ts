/** What a page calls by name: such an element stays, though nothing is left in it. */
import type { WrittenTree } from './written-tree';

/** Names of elements that links, labels and scripts of the page lead to. */
export function namesCalled({ elements }: WrittenTree): Set<string> {
  const called = new Set<string>();
  for (const { attrs } of elements) {
    for (const { name, value } of attrs) {
      if (name === 'href' && value.startsWith('#')) called.add(decodeName(value.slice(1)));
      else if (CALLS.has(name)) for (const id of value.split(/\s+/u)) called.add(id.replace(/^#/u, ''));
    }
  }
  return called;
}

const CALLS = new Set(['for', 'headers', 'list', 'form', 'aria-labelledby', 'aria-describedby', 'aria-controls', 'aria-owns', 'data-target', 'data-bs-target']); // oxfmt-ignore

function decodeName(name: string): string {
  try {
    return decodeURIComponent(name);
  } catch {
    return name;
  }
}
