'use client';
import Button, { type ButtonProps } from '@mui/material/Button';
import Link from 'next/link';

/** A link that looks like a button; usable from server components. */
export function LinkButton({ href, ...props }: ButtonProps & { href: string }) {
  return <Button component={Link} href={href} {...props} />;
}
