import '@fontsource-variable/source-serif-4';
import '@fontsource/atkinson-hyperlegible-next/400.css';
import '@fontsource/atkinson-hyperlegible-next/600.css';
import '@fontsource/atkinson-hyperlegible-next/700.css';
import '@/ui/theme.css';
import type { Metadata, Viewport } from 'next';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import { StyleRegistry } from '@/ui/StyleRegistry';

export const metadata: Metadata = {
  title: { default: 'Shelf · Inkwell Check', template: '%s · Inkwell Check' },
  description: 'Where pages are made right for every reader, and followed until they may be published.',
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

export default async function Layout({ children }: { children: ReactNode }) {
  const nonce = (await headers()).get('x-nonce') ?? '';
  return (
    <html lang="en">
      <head>
        <meta property="csp-nonce" nonce={nonce} />
      </head>
      <body>
        <StyleRegistry nonce={nonce}>{children}</StyleRegistry>
      </body>
    </html>
  );
}
