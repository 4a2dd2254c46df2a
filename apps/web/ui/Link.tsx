import NextLink from 'next/link';
import type { ComponentProps } from 'react';

/**
 * A link within the application. Nothing is fetched ahead of a press: screens are made for each visit, so that all there would be to fetch
 * is their frame, at the cost of some forty requests a screen.
 */
export function Link(props: ComponentProps<typeof NextLink>) {
  return <NextLink prefetch={false} {...props} />;
}
