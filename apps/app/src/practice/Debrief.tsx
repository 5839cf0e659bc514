import { act, goodOrder, isFound, lookText, toldBy } from '@keypost/core/fault';
import type { DebriefStep, Dictionary, Round } from '@keypost/core/fault';
import { textOf } from '@keypost/core/messages';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { indicatorText, looksText, readText, suspectText, timeText } from '../fault/suspectText';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { Card, Row } from '../ui/Card';
import { StatusIcon } from '../ui/StatusIcon';
import { Text } from '../ui/Text';
import { actText, seenText } from './actText';
import type { Play } from './useRound';

/** Less than this told nothing, bit. */
const NOTHING = 0.05;

interface Of {
  readonly point: OpenPoint;
  readonly dictionary: Dictionary;
  readonly round: Round;
  readonly play: Play;
}

/** What it was, what each look told, and what a good order would have been. */
export function Debrief({ seconds, ...of }: Of & { seconds: number }) {
  const { dictionary, round, play } = of;
  const found = play.answer !== undefined && isFound(dictionary, round, play.answer);
  return (
    <>
      <Card title={found ? 'Found' : 'Not found'}>
        <Row first className="flex-row gap-3">
          <StatusIcon kind={found ? 'proven' : 'failed'} size={28} />
          <View className="min-w-0 flex-1 gap-1">
            {round.faults.map(({ id, what }) => (
              <Text key={id} as="strong">{`It was: ${textOf(what)}`}</Text>
            ))}
            {round.herring && (
              <Text as="small">{`Out of order beside it, and not the cause: ${textOf(round.herring.what)}`}</Text>
            )}
            {round.slip !== undefined && (
              <Text as="small">{`Reading ${round.slip + 1} of the meter was wrong: its lead did not hold.`}</Text>
            )}
            <Text as="small">{`${looksText(play.acts.length)}, ${timeText(seconds)}`}</Text>
          </View>
        </Row>
        <Row>
          <Button label="Once more from the start" onPress={play.anew} />
        </Row>
      </Card>
      <Told {...of} />
      <Good {...of} />
    </>
  );
}

/** What each look told, and which told nothing. */
function Told({ point, dictionary, play }: Of) {
  const steps = useMemo(() => toldBy(dictionary, play.acts), [dictionary, play.acts]);
  if (!steps.length) return null;
  return (
    <Card title="What each look told">
      {play.acts.map(({ act: done, is }, i) => {
        const step = steps[i];
        const { what, state } = actText(point, done);
        return (
          <Row key={i} first={i === 0} className="gap-0.5">
            <Text as="body">{`${i + 1}. ${what}: ${seenText(point, done.kind, is)}`}</Text>
            <Text as="small">{state}</Text>
            {step && (
              <Text as={step.bits > NOTHING ? 'small' : 'fail'}>
                {step.bits > NOTHING ? leftText(step) : 'Told nothing new.'}
              </Text>
            )}
          </Row>
        );
      })}
    </Card>
  );
}

const stepText = (look: Dictionary['looks'][number], is: number | boolean): string =>
  typeof is === 'number' ? readText(look, is) : indicatorText(look.kind, is);

const leftText = ({ likeliest }: DebriefStep): string =>
  `Likeliest then: ${suspectText(likeliest)}, ${Math.round(100 * likeliest.share)} %`;

/** A good order, played back step by step. */
function Good({ point, dictionary, round }: Of) {
  const { analysis } = point;
  const [shown, setShown] = useState(1);
  const good = useMemo(() => {
    const clean = { ...round, slip: undefined };
    return goodOrder(dictionary, (doing, before) => {
      const out = act(analysis, dictionary, clean, doing, before);
      return out.kind === 'seen' ? out.is : false;
    });
  }, [analysis, dictionary, round]);
  return (
    <Card
      title="A good order"
      aside={<Text as="mono">{`${looksText(good.steps.length)}, ${timeText(good.seconds)}`}</Text>}
    >
      {good.steps.slice(0, shown).map((step, i) => {
        const look = dictionary.looks[step.look ?? -1];
        if (!look) return null;
        const { what, state } = lookText(analysis, look);
        return (
          <Row key={look.id} first={i === 0} className="gap-0.5">
            <Text as="body">{`${i + 1}. ${textOf(what)}: ${stepText(look, step.is)}`}</Text>
            <Text as="small">{textOf(state)}</Text>
            <Text as="small">{leftText(step)}</Text>
          </Row>
        );
      })}
      {shown < good.steps.length && (
        <Row>
          <Button label="Next step" kind="main" onPress={() => setShown(shown + 1)} />
        </Row>
      )}
    </Card>
  );
}
