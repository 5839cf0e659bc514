import type { Dictionary, KnownFault, Round } from '@keypost/core/fault';
import { textOf } from '@keypost/core/messages';
import { useState } from 'react';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { Card, Row } from '../ui/Card';
import { Select } from '../ui/Select';
import type { Play } from './useRound';

/** Where it is and what it is; two of them where two things are broken. */
export function AnswerCard({
  point,
  dictionary,
  round,
  play,
  seconds,
}: {
  point: OpenPoint;
  dictionary: Dictionary;
  round: Round;
  play: Play;
  seconds: number;
}) {
  const [answer, setAnswer] = useState<readonly string[]>(round.faults.map(() => ''));
  const faults = dictionary.rows.flatMap(({ fault }) => fault ?? []);
  const put = (at: number, id: string) =>
    setAnswer((before) => before.map((one, i) => (i === at ? id : one)));
  return (
    <Card title="Your answer">
      <Row first className="gap-3">
        {answer.map((id, i) => (
          <One
            key={i}
            point={point}
            faults={faults}
            second={i > 0}
            onChange={(next) => put(i, next)}
            id={id}
          />
        ))}
        <Button
          label="That is it"
          kind="main"
          disabled={answer.includes('')}
          onPress={() => play.give(answer, seconds)}
        />
        <Button label="Give up and see what it was" onPress={() => play.give([], seconds)} />
      </Row>
    </Card>
  );
}

const placeOf = ({ place }: KnownFault): string =>
  place.in === 'wire' ? `wire ${place.ids[0] ?? ''}` : place.in === 'part' ? `part ${place.id}` : 'program';

function One({
  point: { index },
  faults,
  second,
  id,
  onChange,
}: {
  point: OpenPoint;
  faults: readonly KnownFault[];
  second: boolean;
  id: string;
  onChange: (id: string) => void;
}) {
  const [place, setPlace] = useState('');
  const nameOf = (key: string): string => {
    const [kind, own = ''] = key.split(' ');
    if (kind === 'program') return 'The program';
    if (kind === 'wire') return `Wire ${index.job.wires.find((wire) => wire.id === own)?.number ?? own}`;
    return (index.device(own) ?? index.module(own) ?? index.supply(own))?.tag ?? own;
  };
  const places = [...new Set(faults.map(placeOf))];
  return (
    <>
      <Select
        label={second ? 'And where the other is' : 'Where it is'}
        value={place}
        options={[
          { value: '', label: 'Choose the place' },
          ...places.map((value) => ({ value, label: nameOf(value) })),
        ]}
        onChange={(next) => {
          setPlace(next);
          onChange('');
        }}
      />
      {place !== '' && (
        <Select
          label={second ? 'What the other is' : 'What it is'}
          value={id}
          options={[
            { value: '', label: 'Choose what' },
            ...faults
              .filter((fault) => placeOf(fault) === place)
              .map((fault) => ({ value: fault.id, label: textOf(fault.what) })),
          ]}
          onChange={onChange}
        />
      )}
    </>
  );
}
