import { JobProblem } from '@keypost/core/model';
import { readRecord } from '@keypost/core/switching';
import type { Example, Signal } from '@keypost/core/switching';
import { useState } from 'react';
import type { ReactNode } from 'react';
import { z } from 'zod';
import { useDraftState } from '../data/drafts';
import { refusalText } from '../data/refusalText';
import { Button } from '../ui/Button';
import { Card, Row } from '../ui/Card';
import { Field } from '../ui/Field';
import { RadioGroup } from '../ui/RadioGroup';
import { Text } from '../ui/Text';

/** Over what is played. */
export type Course = Example | 'drawn' | 'record' | 'live';

const COURSES: readonly { readonly value: Course; readonly label: string }[] = [
  { value: 'slow', label: 'Slowly through all' },
  { value: 'noisy', label: 'With noise' },
  { value: 'broken', label: 'With a break' },
  { value: 'drawn', label: 'Drawn by hand' },
  { value: 'record', label: 'From a record' },
  { value: 'live', label: 'As it is now, live' },
];

/** Which course is played; a record is pasted or typed. */
export function CourseFields({
  name,
  course,
  onChoose,
  live,
}: {
  /** Of the draft that keeps what is typed. */
  name: string;
  course: Course;
  onChoose: (course: Course, signal?: Signal) => void;
  /** What follows the device. */
  live: ReactNode;
}) {
  return (
    <Card title="Course">
      <Row first className="gap-3">
        <RadioGroup label="Over" value={course} onChange={(next) => onChoose(next)} options={COURSES} />
        {course === 'drawn' && (
          <Text as="small">
            Draw over the chart with a finger, from left to right. With a keyboard, type it as a record.
          </Text>
        )}
        {course === 'live' && live}
        {course === 'record' && <RecordField name={name} onRead={(signal) => onChoose('record', signal)} />}
      </Row>
    </Card>
  );
}

function RecordField({ name, onRead }: { name: string; onRead: (signal: Signal) => void }) {
  const [text, setText] = useDraftState(`${name}.record`, z.string(), '');
  const [problem, setProblem] = useState<string>();
  const read = () => {
    try {
      onRead(readRecord(text));
      setProblem(undefined);
    } catch (error) {
      if (!(error instanceof JobProblem)) throw error;
      setProblem(refusalText(error));
    }
  };
  return (
    <>
      <Field
        label="Record"
        value={text}
        onChange={setText}
        problem={problem}
        hint="Seconds and value, one reading a line, such as 12.5; 1.4. Paste it from a CSV file."
        multiline
        mono
      />
      <Button label="Play it" onPress={read} />
    </>
  );
}
