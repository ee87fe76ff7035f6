import { startTransition, type ReactNode } from 'react';
import { createRoot as createReactRoot, type Root, type RootOptions } from 'react-dom/client';

export { hydrateRoot } from 'react-dom/client';

/**
 * React's root for React Native Web. The app is first drawn as a transition, a few milliseconds at a time: in one go it would keep a slow
 * phone from answering a tap for a second.
 */
export function createRoot(container: Element, options?: RootOptions): Root {
  const root = createReactRoot(container, options);
  return {
    render: (children: ReactNode) => startTransition(() => root.render(children)),
    unmount: () => root.unmount(),
  };
}
