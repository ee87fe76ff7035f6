import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { marksCsv, rosterCsv } from '@core/formats/roster/writeCsv';
import { troubleText } from '../../store/api';
import { today } from '../../ui/days';
import { FilePicker } from '../../ui/FilePicker';
import { Loading } from '../../ui/Loading';
import { Page } from '../../ui/Page';
import { PrimaryButton } from '../../ui/PrimaryButton';
import { saveFile } from '../../ui/saveFile';
import { TextField } from '../../ui/TextField';
import { SPACE } from '../../ui/theme';
import { Trouble } from '../../ui/Trouble';
import { Text } from '../../ui/Text';
import { everyoneIn, type SquadView, useSquad } from '../../data/useSquad';
import { useSquadChange } from '../../data/useSquadChange';
import { Columns } from './Columns';
import { countText, Preview } from './Preview';
import { Settle } from './Settle';
import { useImport } from './useImport';

const backToList = () => router.replace('/squad');
const ROSTER_TYPE = 'text/csv;charset=utf-8';

function Exports({ squad }: { squad: SquadView }) {
  const everyone = everyoneIn(squad);
  const save = (what: string, text: string) => saveFile(`${what} ${today()}.csv`, text, ROSTER_TYPE);
  return (
    <View style={{ gap: SPACE.s }}>
      <Text as="heading" level={2}>
        Save as a file
      </Text>
      <Text as="small" quiet>
        CSV opens in any spreadsheet. These files hold names and notes: keep them as private as the squad. A single
        athlete is saved from their own page.
      </Text>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <PrimaryButton
          disabled={everyone.length === 0}
          onPress={() => save('Roster', rosterCsv(everyone, squad.settings.groups, today()))}
        >
          Save the roster
        </PrimaryButton>
        <PrimaryButton disabled={everyone.length === 0} onPress={() => save('Marks', marksCsv(everyone))}>
          Save all marks
        </PrimaryButton>
      </View>
    </View>
  );
}

/** A list without a file: on a phone there is often none. */
function PasteList({ text, setText, open }: { text: string; setText: (text: string) => void; open: () => void }) {
  return (
    <View style={{ gap: SPACE.s }}>
      <TextField
        label="Or paste a list"
        value={text}
        onChange={setText}
        lines={4}
        placeholder={'1500 PBs\nAda Brindlecote 5:12\nBo Tarrowby 4:58 (U17)'}
      />
      <View style={{ alignItems: 'flex-start' }}>
        <PrimaryButton disabled={text.trim() === ''} onPress={open}>
          Read this list
        </PrimaryButton>
      </View>
    </View>
  );
}

function Files({ squad }: { squad: SquadView }) {
  const work = useImport(squad);
  const { change, saving } = useSquadChange(squad);
  const [trouble, setTrouble] = useState<string>();
  // Keep the pasted text during the preview, so that Back leads to it.
  const [pasted, setPasted] = useState('');
  const { file, count, problems, leavesOut } = work;
  const isStopped = problems.length > 0 && !leavesOut;
  const isOpen = work.questions.length > 0 || work.isUndatedOpen || work.isUndistancedOpen;
  const isNothing = count.added + count.changed === 0;
  const go = async () => {
    const done = await change(work.change, `Imported: ${countText(count)}.`);
    if (done.ok) return backToList();
    return setTrouble(done.message);
  };
  return (
    <Page
      title="Import, export"
      {...(file ? { subtitle: file.name } : {})}
      onBack={file ? work.close : backToList}
      backLabel={file ? 'Another file' : 'Back to the squad'}
      footer={
        file ? (
          <>
            {trouble !== undefined && <Trouble>{trouble}</Trouble>}
            <Text as="small" live="polite">
              {isStopped
                ? 'Some rows cannot be read: mend them, or leave them out.'
                : isOpen
                  ? 'Some marks are to be settled first: see above.'
                  : isNothing
                    ? 'There is nothing to import yet.'
                    : `This makes ${countText(count)}. It can be undone.`}
            </Text>
            <PrimaryButton
              main
              icon="check"
              disabled={isStopped || isOpen || isNothing || saving}
              onPress={() => void go()}
            >
              Import
            </PrimaryButton>
          </>
        ) : undefined
      }
    >
      {work.trouble !== undefined && <Trouble>{work.trouble}</Trouble>}
      {!file && (
        <>
          <FilePicker title="Bring in a list" accept=".csv,.txt,.tsv,.json,text/csv" onPick={work.open}>
            A roster or a list of marks as CSV, however its columns are called and its times are written, or an athlete
            saved as JSON. You see what it comes to before anything is stored.
          </FilePicker>
          <PasteList text={pasted} setText={setPasted} open={() => work.openText(pasted)} />
          <Exports squad={squad} />
        </>
      )}
      {file?.kind === 'table' && (
        <Columns
          table={file.table}
          hasHeadings={file.hasHeadings}
          uses={file.uses}
          dayOrder={file.dayOrder}
          setUse={work.setUse}
          setHeadings={work.setHeadings}
          setDayOrder={work.setDayOrder}
        />
      )}
      {file && <Settle {...work} />}
      {file && (
        <Preview
          problems={problems}
          doubts={work.doubts}
          leavesOut={leavesOut}
          setLeavesOut={work.setLeavesOut}
          rowText={work.rowText}
          leaveMarksOut={work.leaveMarksOut}
          list={work.list}
          decide={work.decide}
        />
      )}
    </Page>
  );
}

/** The squad in and out of open formats. */
export function FilesPage() {
  const { squad, error, retry } = useSquad();
  if (squad) return <Files squad={squad} />;
  return (
    <Page title="Import, export" onBack={backToList} backLabel="Back to the squad">
      {error ? <Trouble retry={retry}>{troubleText(error)}</Trouble> : <Loading />}
    </Page>
  );
}
