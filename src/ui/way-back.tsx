import { Link } from './link';

interface WayBackProps {
  href: string;
  /** What lies there. */
  to: string;
  /** What is here. */
  children: string;
}

/** The line above a screen's heading that leads back to the list it belongs to. */
export function WayBack({ href, to, children }: WayBackProps) {
  return (
    <p className="text-sm text-ink-2">
      <Link href={href} className="text-green">
        {to}
      </Link>{' '}
      / {children}
    </p>
  );
}
