import { DaySheet, SeasonBody } from '@client/frame/screens';
import { ThisWeek } from '@client/season/ThisWeek';

const PARTS = { DaySheet, SeasonBody };

export default function Season() {
  return <ThisWeek parts={PARTS} />;
}
