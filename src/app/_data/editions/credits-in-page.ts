import 'server-only';
import { decodeHTML } from 'entities/decode';
import { listOf } from '@/core/rights/credit/credits-page';
import { decodeSource } from '@/core/source/decode-source';
import { storedBytes } from '@/server/store/store';

/** The credits that a page of them has been prepared with, each as readers meet it. @param sha of its bytes; `null` for none */
export async function creditsInPage(sha: string | null): Promise<string[]> {
  if (sha === null) return [];
  const { text } = decodeSource('credits.html', await storedBytes(sha));
  const list = listOf(text)?.inner;
  if (!list) return [];
  const items = text.slice(list.start, list.end).matchAll(/<li>(.*?)<\/li>/gsu);
  return [...items].map(([, item = '']) => decodeHTML(item.replace(/<[^>]*>/gu, '')));
}
