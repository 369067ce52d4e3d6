import type { Metadata } from 'next';
import type { ReactNode } from 'react';
import './globals.css';

// Every screen shows what the database holds now.
export const dynamic = 'force-dynamic';

export const metadata: Metadata = {
  title: { default: 'Ibidem', template: '%s · Ibidem' },
  description: 'Keeps the pictures of a web site current.',
};

export default function RootLayout({ children }: { children: ReactNode }) {
  return (
    <html lang="en">
      <body>{children}</body>
    </html>
  );
}
