'use client';

import { DropdownMenu } from 'radix-ui';
import { signOut } from '@/app/sign-in/actions';

/** Who is signed in, and the way out. */
export function PersonMenu({ name, role }: { name: string; role: string }) {
  const initials = name
    .split(/\s+/)
    .map((word) => word.charAt(0))
    .join('')
    .slice(0, 2)
    .toUpperCase();
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger
        aria-label={`${name}, ${role}`}
        className="flex size-7 shrink-0 items-center justify-center rounded-full bg-ink text-sm font-semibold text-sheet"
      >
        {initials}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={8}
          className="z-20 min-w-48 border border-line bg-sheet py-1 shadow-lg"
        >
          <DropdownMenu.Label className="px-3 py-1.5">
            <span className="block font-semibold">{name}</span>
            <span className="block text-sm text-ink-2">{role}</span>
          </DropdownMenu.Label>
          <DropdownMenu.Item
            className="px-3 py-1.5 outline-none data-[highlighted]:bg-tint"
            onSelect={() => void signOut()}
          >
            Sign out
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
