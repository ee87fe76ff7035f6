import { useEffect, type ReactNode } from 'react';
import { createPortal } from 'react-dom';
import { View } from 'react-native';
import { ThemeProvider } from 'react-native-paper';
import { lightTheme, SPACE } from './theme';

/** A4 less its margins, in px of the browser; a little is left for rounding. */
export const PAPER_PX = { portrait: { across: 700, down: 1025 }, landscape: { across: 1030, down: 695 } };

/** On the screen the sheets are laid out out of sight; on paper they are all there is. */
const style = (isLandscape: boolean) => `
@page { size: A4 ${isLandscape ? 'landscape' : 'portrait'}; margin: 12mm }
.zest-paper { position: fixed; left: -10000px; top: 0; width: ${PAPER_PX[isLandscape ? 'landscape' : 'portrait'].across}px }
.zest-paper, .zest-paper * { color-adjust: exact; -webkit-print-color-adjust: exact; print-color-adjust: exact }
@media print {
  html, body { height: auto !important; overflow: visible !important; background: white }
  #root { display: none !important }
  .zest-paper { position: static }
}`;

type Props = {
  /** What is printed, for screen readers. */
  label: string;
  isLandscape?: boolean;
  /** After the print dialog is closed. */
  done: () => void;
  children: ReactNode;
};

/** Prints what stands in it, on pages of its own. */
export function Printed({ label, isLandscape = false, done, children }: Props) {
  useEffect(() => {
    window.addEventListener('afterprint', done);
    // After the drawings have been laid out.
    const waiting = requestAnimationFrame(() => requestAnimationFrame(() => window.print()));
    // The browser prints already: once is enough.
    const stop = () => cancelAnimationFrame(waiting);
    window.addEventListener('beforeprint', stop);
    return () => {
      stop();
      window.removeEventListener('beforeprint', stop);
      window.removeEventListener('afterprint', done);
    };
  }, [done]);
  return createPortal(
    <div className="zest-paper">
      <style>{style(isLandscape)}</style>
      <ThemeProvider theme={lightTheme}>
        <View role="document" aria-label={label} style={{ gap: SPACE.m }}>
          {children}
        </View>
      </ThemeProvider>
    </div>,
    document.body,
  );
}
