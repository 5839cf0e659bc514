import { sure } from '@keypost/core/lists';
import type { JobView } from '@keypost/api';
import type { LineState, Sheet, SheetLine } from '@keypost/core/setting';
import { useState } from 'react';
import { View } from 'react-native';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';
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
export function SheetCard({ view, sheet, arranged }: { view: JobView; sheet: Sheet; arranged: Arranged }) {
  const [open, setOpen] = useState<string>();
  const places = new Map(sheet.lines.map((line, i) => [line.parameter.key, i + 1]));
  const row = (line: SheetLine, first: boolean) => {
    const { key } = line.parameter;
    return (
      <View key={key}>
        <LineRow
          line={line}
          place={sure(places.get(key))}
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
    <Card title={sheet.about ? `${sheet.tag}, ${sheet.about}` : sheet.tag}>
      <Row first className="py-2">
        <Text as="small">{sheet.typeName}</Text>
      </Row>
      {arranged === 'order'
        ? sheet.lines.map((line) => row(line, false))
        : SECTIONS.map(({ state, title }) => {
            const lines = sheet.lines.filter((line) => line.state === state);
            if (lines.length === 0) return null;
            return (
              <View key={state}>
                <Row className="bg-bone py-1.5">
                  <Text as="small" className="font-wordsemi">{`${title}, ${lines.length}`}</Text>
                </Row>
                <View role="list" aria-label={title}>
                  {lines.map((line, i) => (
                    <View role="listitem" key={line.parameter.key}>
                      {row(line, i === 0)}
                    </View>
                  ))}
                </View>
              </View>
            );
          })}
    </Card>
  );
}
