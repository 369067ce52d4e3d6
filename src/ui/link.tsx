'use client';

import NextLink from 'next/link';
import { useState, type ComponentProps } from 'react';

/**
 * A link to another screen, which is made ready once it is pointed at or reached by key. (Every one in view would be asked
 * for otherwise: up to 47 requests at each opening of a screen of the demo, all of them for what changes at once.)
 */
export function Link({
  onPointerEnter,
  onFocus,
  ...rest
}: Omit<ComponentProps<typeof NextLink>, 'prefetch'>) {
  const [isWanted, setWanted] = useState(false);
  return (
    <NextLink
      {...rest}
      prefetch={isWanted ? null : false}
      onPointerEnter={(event) => {
        setWanted(true);
        onPointerEnter?.(event);
      }}
      onFocus={(event) => {
        setWanted(true);
        onFocus?.(event);
      }}
    />
  );
}
