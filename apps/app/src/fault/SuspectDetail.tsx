import { confirmingLook, hereAfter, mendingOf } from '@keypost/core/fault';
import type { Dictionary, Seen, Suspect } from '@keypost/core/fault';
import { textOf } from '@keypost/core/messages';
import { useMemo } from 'react';
import { View } from 'react-native';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { Caution } from '../ui/Notice';
import { Text } from '../ui/Text';
import { RatedChoice } from './RatedChoice';
import { lookLabel, timeText } from './suspectText';

export interface SuspectOf {
  readonly point: OpenPoint;
  readonly dictionary: Dictionary;
  readonly found: readonly Suspect[];
  readonly seen: readonly Seen[];
  /** A look was chosen to be taken next. */
  readonly onChoose: (look: number) => void;
}

/** What would confirm one suspect or clear it, and what mends it. */
export function SuspectDetail({ suspect, ...of }: SuspectOf & { suspect: Suspect }) {
  const [first] = suspect.rows;
  const mending = first?.fault && mendingOf(first.fault.sort);
  return (
    <>
      <Confirm {...of} suspect={suspect} />
      {mending && (
        <View className="gap-1">
          <Text as="small">To mend it</Text>
          <Text as="body">{textOf(mending.how)}</Text>
          {mending.caution && <Caution>{textOf(mending.caution)}</Caution>}
        </View>
      )}
      {first?.fault && <RatedChoice point={of.point} sort={first.fault.sort} />}
    </>
  );
}

function Confirm({ point, dictionary, found, seen, suspect, onChoose }: SuspectOf & { suspect: Suspect }) {
  const best = useMemo(
    () => confirmingLook(dictionary, found, suspect, seen, hereAfter(dictionary, seen)),
    [dictionary, found, suspect, seen],
  );
  const look = best && dictionary.looks[best.look];
  if (!look) return <Text as="small">Nothing that can be looked at here tells it from the others.</Text>;
  return (
    <View className="gap-1">
      <Text as="small">{`To confirm or clear it, about ${timeText(best.seconds)}`}</Text>
      <Text as="body">{lookLabel(point.analysis, look)}</Text>
      <Button label="Look there next" onPress={() => onChoose(best.look)} />
    </View>
  );
}
