import { passesText, targetText, timesText } from '@core/planning/card';
import type { AthletePlan } from '@core/planning/athletePlans';
import { isWork } from '@core/targets/targetsFor';
import { drawingOf } from '../../data/sessionView';
import { LapColumns } from '../../ui/lapSheet/LapColumns';
import type { Planning } from '../../data/usePlanning';
import type { SheetProps } from './Sheets';
import { boxesOf, cardFor, CARDS_A_PAGE } from './sheets';
import { SHEET_STYLE } from './sheetStyle';

/** More lines or boxes than this are set smaller. */
const DENSE = { lines: 4, boxes: 12 };
/** What a card has room for; the rest is on the sheets and the phone. */
const MOST = { lines: 7, boxes: 40 };

type CardProps = { planning: Planning; athletePlan: AthletePlan; everyM: number };

function PocketCard({ planning, athletePlan, everyM }: CardProps) {
  const { rounding, venue } = planning;
  const { title, when, who, lines } = cardFor(planning, athletePlan, everyM);
  const boxes = boxesOf(lines);
  const [name = '', group = ''] = who.split(' (');
  const isDense = lines.length > DENSE.lines || boxes > DENSE.boxes;
  return (
    <div className={isDense ? 'card dense' : 'card'}>
      <div className="head">
        <span className="name">{name}</span>
        <span className="small">{group.replace(/\)$/, '')}</span>
      </div>
      <div className="small">{`${title}, ${when}`}</div>
      {lines.slice(0, MOST.lines).map((line, i) => (
        <div key={i}>
          <div className="line">
            <span>{timesText(line)}</span>
            <span className="time">{targetText(line, rounding)}</span>
          </div>
          <div className="small">
            {[
              passesText(line.passes, rounding),
              line.recovery === undefined ? '' : `rest ${line.recovery}`,
              line.then === undefined ? '' : `then ${line.then}`,
            ]
              .filter(Boolean)
              .join(' · ')}
          </div>
        </div>
      ))}
      {lines.length > MOST.lines && <div className="small">{`and ${lines.length - MOST.lines} more parts`}</div>}
      <LapColumns {...drawingOf(athletePlan.legs.filter(isWork), venue)} width={318} height={isDense ? 36 : 52} />
      <div className="boxes">
        {Array.from({ length: Math.min(boxes, MOST.boxes) }, (_, i) => (
          <span key={i}>{i + 1}</span>
        ))}
      </div>
    </div>
  );
}

/** A card for each pocket, eight to a page, to be cut out. */
export function PocketCards({ planning, everyM }: SheetProps) {
  const cards = planning.plans;
  const pages = Array.from({ length: Math.ceil(cards.length / CARDS_A_PAGE) }, (_, i) =>
    cards.slice(i * CARDS_A_PAGE, (i + 1) * CARDS_A_PAGE),
  );
  return (
    <div className="sheet">
      <style>{SHEET_STYLE}</style>
      {pages.map((page) => (
        <div className="page cards" key={page[0]?.runner.id ?? ''}>
          {page.map((athletePlan) => (
            <PocketCard key={athletePlan.runner.id} planning={planning} athletePlan={athletePlan} everyM={everyM} />
          ))}
        </div>
      ))}
    </div>
  );
}
