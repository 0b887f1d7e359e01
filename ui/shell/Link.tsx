import NextLink from 'next/link';
import type { ComponentProps } from 'react';

/**
 * A link to another view. It is fetched when it is followed: every view is made for who asks, so that nothing of use
 * can be fetched before, and a table of a class would ask the server for a hundred views that nobody opens.
 */
export function Link(props: ComponentProps<typeof NextLink>) {
  return <NextLink prefetch={false} {...props} />;
}
