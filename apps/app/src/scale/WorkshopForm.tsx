import { textOf } from '@keypost/core/messages';
import { MAX_TABLE_POINTS } from '@keypost/core/model';
import { parseTyped } from '../ui/typedNumbers';
import { problemOfCurve, tableOf } from '@keypost/core/sensing';
import type { CalibrationBody, TablePoint } from '@keypost/core/model';
import { useState } from 'react';
import type { Saver } from '../data/useSave';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';

/** Rows `signal; value`, one a line, as they stand on a workshop's sheet. */
export function readRows(text: string): { points: TablePoint[] } | { problem: string } {
  const rows = text.split('\n').filter((row) => row.trim() !== '');
  const points: TablePoint[] = [];
  for (const [i, row] of rows.entries()) {
    const [x, y, ...rest] = row
      .split(/[;\t]|\s{2,}|(?<=\d)\s+(?=[-+\d])/)
      .map((cell) => cell.trim())
      .filter(Boolean)
      .map((cell) => parseTyped(cell, ''));
    const twoWays = [x, y].find((cell) => cell?.ok === false && cell.problem.code === 'quantity.thousands');
    if (twoWays?.ok === false) return { problem: `Line ${i + 1}: ${textOf(twoWays.problem)}` };
    if (!x?.ok || !y?.ok || rest.length > 0)
      return { problem: `Line ${i + 1}: “${row.trim()}” is not two numbers. Write them as 12.00; 245.` };
    points.push({ in: x.value, out: y.value });
  }
  if (points.length > MAX_TABLE_POINTS)
    return { problem: `${points.length} points; at most ${MAX_TABLE_POINTS} fit into a table.` };
  const problem = problemOfCurve(() => tableOf(points));
  return problem === undefined ? { points } : { problem: textOf(problem) };
}

/** Takes in a table as the workshop measured it. */
export function WorkshopForm({
  units: { unitIn, unitOut },
  saver,
  onStore,
}: {
  units: { unitIn: string; unitOut: string };
  saver: Saver;
  onStore: (body: CalibrationBody, then?: () => void) => void;
}) {
  const [open, setOpen] = useState(false);
  const [text, setText] = useState('');
  const [note, setNote] = useState('');
  const [asked, setAsked] = useState(false);
  const read = readRows(text);
  if (!open) return <Button label="Enter a workshop table" onPress={() => setOpen(true)} />;
  const store = () => {
    setAsked(true);
    if ('points' in read)
      onStore({ kind: 'workshop', unitIn, unitOut, points: read.points, note: note.trim() }, () =>
        setOpen(false),
      );
  };
  return (
    <Card title="Workshop table">
      <Row first className="gap-3">
        <Field
          label={`Lines of ${unitIn}; ${unitOut}`}
          value={text}
          onChange={setText}
          multiline
          numberOfLines={8}
          mono
          placeholder={'4.00; 0\n12.00; 245\n20.00; 500'}
          problem={asked && 'problem' in read ? read.problem : undefined}
          style={{ minHeight: 180, paddingTop: 12 }}
        />
        {'points' in read && text.trim() !== '' && <Text as="small">{`${read.points.length} points`}</Text>}
        <Field label="Sheet or certificate" value={note} onChange={setNote} maxLength={200} />
        <Button label="Store the table" kind="main" waiting={saver.saving} onPress={store} />
        <Button label="Cancel" onPress={() => setOpen(false)} />
      </Row>
    </Card>
  );
}
