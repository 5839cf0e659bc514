import { fileName, sure } from '@keypost/core/lists';
import type { JobView } from '@keypost/api';
import { JobProblem, problemText } from '@keypost/core/model';
import { readSheetFile, writeSheetCsv, writeSheetJson } from '@keypost/core/setting';
import type { Change } from '@keypost/core/job';
import type { Sheet } from '@keypost/core/setting';
import { useState } from 'react';
import { View } from 'react-native';
import { v4 as uuid } from 'uuid';
import { pickFile, saveFile } from '../data/saveFile';
import { SaveNotice } from '../data/SaveNotice';
import { useSave } from '../data/useSave';
import { Button } from '../ui/Button';
import { Notice } from '../ui/Notice';
import { typedStyle } from '../ui/typedNumbers';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';

type Taken = { readonly change?: Change; readonly count: number } | { readonly lines: readonly string[] };

/** Sheets out as CSV and JSON, and values as found and left in from either. */
export function SheetFiles({
  view,
  title,
  sheets,
}: {
  view: JobView;
  title: string;
  sheets: readonly Sheet[];
}) {
  const saver = useSave(view);
  const [taken, setTaken] = useState<Taken>();
  const { numbers } = view.content;
  const take = async () => {
    const text = await pickFile('.csv,.json,text/csv,application/json');
    if (text !== undefined) setTaken(read(text, sheets));
  };
  return (
    <Card title="Take it away and bring it back">
      <Row first className="gap-3">
        <View className="flex-row gap-3">
          <Button
            label="Save as CSV"
            grow
            onPress={() => save(title, 'csv', writeSheetCsv(sheets, numbers))}
          />
          <Button label="Save as JSON" grow onPress={() => save(title, 'json', writeSheetJson(sheets))} />
        </View>
        <Button label="Read a sheet" onPress={() => void take()} />
        {taken && 'lines' in taken && (
          <Notice actions={<Button label="Close" onPress={() => setTaken(undefined)} />}>
            {`The sheet was not taken, and nothing was changed.\n${taken.lines.join('\n')}`}
          </Notice>
        )}
        {taken && 'count' in taken && (
          <View className="gap-3" role="group" aria-label="Values read">
            <Text as="strong">
              {taken.change ? `${taken.count} values are new` : 'The sheet says what is known already.'}
            </Text>
            <SaveNotice saver={saver} />
            {taken.change && (
              <Button
                label="Take the values"
                kind="main"
                waiting={saver.saving}
                onPress={() => void saver.save(sure(taken.change), { then: () => setTaken(undefined) })}
              />
            )}
          </View>
        )}
      </Row>
    </Card>
  );
}

const save = (title: string, ending: 'csv' | 'json', text: string): void =>
  saveFile(
    fileName(`${title} settings`, ending),
    ending === 'csv' ? 'text/csv;charset=utf-8' : 'application/json',
    text,
  );

function read(text: string, sheets: readonly Sheet[]): Taken {
  try {
    const entries = readSheetFile(text, sheets, typedStyle()).flatMap(({ itemId, found, left }) =>
      (
        [
          ['found', found],
          ['left', left],
        ] as const
      ).flatMap(([side, values]) =>
        Object.keys(values).length ? [{ id: uuid(), itemId, side, how: 'typed' as const, values }] : [],
      ),
    );
    const count = entries.reduce((sum, { values }) => sum + Object.keys(values).length, 0);
    return entries.length ? { change: { kind: 'enter', entries }, count } : { count };
  } catch (error) {
    if (!(error instanceof JobProblem)) throw error;
    return {
      lines: error.problems.map(problemText),
    };
  }
}
