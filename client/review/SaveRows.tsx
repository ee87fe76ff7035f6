import { writeResultsCsv } from '@core/formats/resultsCsv';
import { troubleText, useLazyResultRowsQuery } from '../store/api';
import { useNotice } from '../ui/Notices';
import { PrimaryButton } from '../ui/PrimaryButton';
import { saveFile } from '../ui/saveFile';

type Props = { name: string; window: { from: string; to: string }; athleteId?: string };

/** Every rep of these weeks as a CSV, of one athlete or of the squad. */
export function SaveRows({ name, window, athleteId }: Props) {
  const [ask, { isFetching }] = useLazyResultRowsQuery();
  const notice = useNotice();
  const save = () =>
    void ask({ ...window, ...(athleteId === undefined ? {} : { athleteId }) }).then(({ data, error }) => {
      if (!data) return notice({ text: troubleText(error) });
      return saveFile(`${name} ${window.from} to ${window.to}.csv`, writeResultsCsv(data), 'text/csv');
    });
  return (
    <PrimaryButton onPress={save} disabled={isFetching}>
      Save as CSV
    </PrimaryButton>
  );
}
