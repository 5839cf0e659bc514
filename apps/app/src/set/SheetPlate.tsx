import type { JobView } from '@keypost/api';
import type { LineState, Sheet, SheetLine } from '@keypost/core/setting';
import { useState } from 'react';
import { View } from 'react-native';
import { Plate, Row } from '../ui/Plate';
import { Words } from '../ui/Words';
import { LineEditor } from './LineEditor';
import { LineRow } from './LineRow';

export type Arranged = 'differences' | 'order';

const SECTIONS: readonly { state: LineState; title: string }[] = [
  { state: 'differs', title: 'Differs' },
  { state: 'unknown', title: 'Not looked at yet' },
  { state: 'done', title: 'As required' },
  { state: 'free', title: 'Nothing required' },
];

/** The sheet of one part: differences first, or in the order in which it is set. */
export function SheetPlate({ view, sheet, arranged }: { view: JobView; sheet: Sheet; arranged: Arranged }) {
  const [open, setOpen] = useState<string>();
  const places = new Map(sheet.lines.map((line, i) => [line.parameter.key, i + 1]));
  const row = (line: SheetLine, first: boolean) => {
    const { key } = line.parameter;
    return (
      <View key={key}>
        <LineRow
          line={line}
          place={places.get(key)!}
          first={first}
          open={open === key}
          onPress={() => setOpen(open === key ? undefined : key)}
        />
        {open === key && (
          <LineEditor view={view} itemId={sheet.itemId} line={line} onDone={() => setOpen(undefined)} />
        )}
      </View>
    );
  };
  return (
    <Plate title={sheet.about ? `${sheet.tag}, ${sheet.about}` : sheet.tag}>
      <Row first className="py-2">
        <Words as="small">{sheet.typeName}</Words>
      </Row>
      {arranged === 'order'
        ? sheet.lines.map((line) => row(line, false))
        : SECTIONS.map(({ state, title }) => {
            const lines = sheet.lines.filter((line) => line.state === state);
            if (lines.length === 0) return null;
            return (
              <View key={state} role="list" aria-label={title}>
                <Row className="bg-bone py-1.5">
                  <Words as="small" className="font-wordsemi">{`${title}, ${lines.length}`}</Words>
                </Row>
                {lines.map((line, i) => row(line, i === 0))}
              </View>
            );
          })}
    </Plate>
  );
}
