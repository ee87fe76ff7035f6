/** What the parts take from the router, on a page that has none: links are links, and nothing leads anywhere. */
import { cloneElement, type AnchorHTMLAttributes, type ReactElement } from 'react';

type LinkProps = Omit<AnchorHTMLAttributes<HTMLAnchorElement>, 'href'> & { href: string; asChild?: boolean };

export const usePathname = () => '/squad';
export const router = {
  push: () => undefined,
  replace: () => undefined,
  back: () => undefined,
  canGoBack: () => false,
};

export function Link({ href, asChild = false, children, ...rest }: LinkProps) {
  const to = `#${href}`;
  if (asChild)
    return cloneElement(children as ReactElement<Record<string, unknown>>, {
      ...rest,
      href: to,
      role: 'link',
      onPress: () => undefined,
    });
  return (
    <a {...rest} href={to} style={{ display: 'flex', textDecoration: 'none', ...rest.style }}>
      {children}
    </a>
  );
}
