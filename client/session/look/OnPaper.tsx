import { useEffect, useState } from 'react';
import { createPortal } from 'react-dom';
import { View } from 'react-native';
import { ThemeProvider } from 'react-native-paper';
import { LapSheet } from '../../ui/LapSheet';
import { SmallButton } from '../../ui/SmallButton';
import { lightTheme, SPACE } from '../../ui/theme';
import { Words } from '../../ui/Words';
import type { SessionView } from '../sessionView';

/** A4 less its margins, in px of the browser. */
const PAPER_PX = 680;

/** On the screen the sheet is laid out out of sight; on paper it is all there is. */
const PRINT_STYLE = `
@page { size: A4; margin: 14mm }
.zest-paper { position: fixed; left: -10000px; top: 0; width: ${PAPER_PX}px }
@media print {
  html, body { height: auto !important; overflow: visible !important; background: white }
  #root { display: none !important }
  .zest-paper { position: static }
}`;

type Props = { title: string; shorthand: string; view: SessionView };

function Sheet({ title, shorthand, view, done }: Props & { done: () => void }) {
  useEffect(() => {
    window.addEventListener('afterprint', done);
    // After the drawing has been laid out.
    const waiting = requestAnimationFrame(() => requestAnimationFrame(() => window.print()));
    return () => {
      cancelAnimationFrame(waiting);
      window.removeEventListener('afterprint', done);
    };
  }, [done]);
  return createPortal(
    <div className="zest-paper">
      <style>{PRINT_STYLE}</style>
      <ThemeProvider theme={lightTheme}>
        <View role="document" aria-label={`${title} on paper`} style={{ gap: SPACE.m }}>
          <Words as="title">{title}</Words>
          <Words>{shorthand}</Words>
          <LapSheet
            sections={view.sections}
            venue={view.venue}
            finishLegs={view.finishLegs}
            about={`${title} lap by lap on the ${view.venue.name}`}
          />
          <Words as="small">{`${view.venue.name}. ${view.totals}.`}</Words>
        </View>
      </ThemeProvider>
    </div>,
    document.body,
  );
}

/** Prints the session with its lap sheet on a page of its own. */
export function OnPaper(props: Props) {
  const [isPrinting, setPrinting] = useState(false);
  return (
    <View style={{ alignItems: 'flex-start' }}>
      <SmallButton onPress={() => setPrinting(true)}>Print the lap sheet</SmallButton>
      {isPrinting && <Sheet {...props} done={() => setPrinting(false)} />}
    </View>
  );
}
