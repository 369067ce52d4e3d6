import { redirect } from 'next/navigation';
import { siteBySlug } from '@/app/_data/site';

/** An address that stops at the site leads to where its work begins. */
export default async function SitePage({ params }: { params: Promise<{ slug: string }> }) {
  const { slug } = await siteBySlug((await params).slug);
  redirect(`/s/${slug}/pictures`);
}
