import { useCallback, useState } from 'react';
import { View } from 'react-native';
import { resultRows, writeResultsCsv } from '@core/formats/resultsCsv';
import type { Review } from '@core/review/review';
import { useNotice } from '../ui/Notices';
import { PrimaryButton } from '../ui/PrimaryButton';
import { saveBlob, saveFile } from '../ui/saveFile';
import { SPACE } from '../ui/theme';
import { Text } from '../ui/Text';
import { pictureOf } from './picture';
import { PrintedResult } from './PrintedResult';
import { plainText } from './reviewText';
import type { ReadRun } from './useReview';

type Props = {
  read: ReadRun;
  /** What is taken out: the whole session, or one athlete's part of it. */
  reviews: readonly Review[];
  title: string;
  subtitle: string;
  texts: readonly string[];
  athleteId?: string;
};

/** On a phone it is handed to whatever sends pictures there; elsewhere it is saved. */
async function share(picture: Blob, name: string): Promise<'shared' | 'saved'> {
  const file = new File([picture], name, { type: picture.type });
  if ('canShare' in navigator && navigator.canShare({ files: [file] }))
    try {
      await navigator.share({ files: [file] });
      return 'shared';
    } catch (error) {
      // Turned away from: nothing was wrong.
      if (error instanceof DOMException && error.name === 'AbortError') return 'shared';
    }
  saveBlob(name, picture);
  return 'saved';
}

/** Ways out: a picture, text to paste, paper, and a file. */
export function TakeOut({ read, reviews, title, subtitle, texts, athleteId }: Props) {
  const [isPrinting, setPrinting] = useState(false);
  const notice = useNotice();
  const done = useCallback(() => setPrinting(false), []);
  const { plan } = read;
  const [first] = reviews;
  const name = `${plan.date} ${title}`;
  const copy = () =>
    void navigator.clipboard.writeText(plainText({ title, subtitle, texts, reviews })).then(
      () => notice({ text: 'Copied: paste it into a message.' }),
      () => notice({ text: 'The browser does not let text be copied here.' }),
    );
  const picture = () =>
    first &&
    void pictureOf(first, { title, subtitle, lines: texts }, athleteId)
      .then((blob) => share(blob, `${name}.png`))
      .then(
        (how) => how === 'saved' && notice({ text: 'The picture is among your downloads.' }),
        (error: unknown) => notice({ text: error instanceof Error ? error.message : 'The picture could not be made.' }),
      );
  return (
    <View style={{ gap: SPACE.s }}>
      <Text as="heading" level={2}>
        Share
      </Text>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <PrimaryButton onPress={picture}>Picture</PrimaryButton>
        <PrimaryButton onPress={copy}>Copy as text</PrimaryButton>
        <PrimaryButton onPress={() => setPrinting(true)}>Print</PrimaryButton>
        <PrimaryButton onPress={() => saveFile(`${name}.csv`, writeResultsCsv(resultRows(plan, reviews)), 'text/csv')}>
          Save as CSV
        </PrimaryButton>
      </View>
      {isPrinting && <PrintedResult title={title} subtitle={subtitle} texts={texts} reviews={reviews} done={done} />}
    </View>
  );
}
