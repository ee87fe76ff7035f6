import type { ReactNode } from 'react';

/** Stands in for what Expo Router sets a page's head with (see metro.config.js): no screen here does, the title comes from the route. */
export const Helmet = () => null;
export const HelmetProvider = ({ children }: { children: ReactNode }) => children;
