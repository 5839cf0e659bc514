import { isReading, lookText, middleOf } from '@keypost/core/fault';
import type { Dictionary, Look, Proposal, Seen, Sight, Suspect } from '@keypost/core/fault';
import { textOf } from '@keypost/core/messages';
import { useEffect, useRef } from 'react';
import { View } from 'react-native';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { ButtonLink } from '../ui/ButtonLink';
import { Card, Row } from '../ui/Card';
import { Caution } from '../ui/Notice';
import { Select } from '../ui/Select';
import { Text } from '../ui/Text';
import { Answer } from './Answer';
import { guardsPeople } from './guardsPeople';
import { LookDrawing } from './LookDrawing';
import { indicatorText, lookLabel, readText, suspectText } from './suspectText';

const SPOTS: Readonly<Record<Look['spot'], string>> = {
  field: 'at the device',
  panel: 'in the panel',
  screen: 'on the screen',
};

interface Of {
  readonly point: OpenPoint;
  readonly dictionary: Dictionary;
  readonly found: readonly Suspect[];
}

/** What to look at next, and what was seen there. */
export function LookCard({
  best,
  here,
  proposals,
  hasSeen,
  isDead,
  onDead,
  onSee,
  onSkip,
  onChoose,
  isChosen,
  ...of
}: Of & {
  best: Proposal | undefined;
  /** The best one where one stands, when the best of all is elsewhere. */
  here: Proposal | undefined;
  /** All that can be looked at and tells something, what tells most for its time first. */
  proposals: readonly Proposal[];
  hasSeen: boolean;
  /** Somebody chose it, perhaps from further down the page: it comes into sight. */
  isChosen: boolean;
  isDead: boolean;
  onDead: (dead: boolean) => void;
  onChoose: (look: number) => void;
  onSee: (look: number, is: Seen['is']) => void;
  onSkip: (look: number) => void;
}) {
  const head = useRef<View>(null);
  useEffect(() => {
    if (isChosen) (head.current as unknown as Element | null)?.scrollIntoView?.({ block: 'center' });
  }, [isChosen]);
  const look = best && of.dictionary.looks[best.look];
  if (!best || !look) return <NothingLeft hasSeen={hasSeen} />;
  return (
    <Card title="Look next" aside={<Text as="small">{SPOTS[look.spot]}</Text>}>
      <Row first className="gap-3">
        <View role="status" ref={head}>
          <Asked point={of.point} look={look} />
        </View>
        <ResetCaution point={of.point} look={look} />
        <Answer
          kind={look.kind}
          unit={look.kind === 'value' ? look.unit : undefined}
          wanders={look.state === 'pulses'}
          isDead={isDead}
          onDead={onDead}
          onSee={(is) => onSee(best.look, is)}
        />
        {look.kind === 'asSet' && <ButtonLink label="Open the sheet" to={`${of.point.base}/set`} />}
        <Button label="Cannot look there now" onPress={() => onSkip(best.look)} />
        {here && <Here {...of} look={here.look} onChoose={onChoose} />}
        <Elsewhere {...of} proposals={proposals} look={best.look} onChoose={onChoose} />
      </Row>
      {'red' in look && (
        <Row>
          <LookDrawing point={of.point} look={look} found={of.found} />
        </Row>
      )}
      <Tells {...of} look={best.look} own={look} />
    </Card>
  );
}

function Asked({ point, look }: { point: OpenPoint; look: Look }) {
  const { what, state } = lookText(point.analysis, look);
  return (
    <>
      <Text as="small">{textOf(state)}</Text>
      <Text as="strong">{textOf(what)}</Text>
    </>
  );
}

/** A guard is closed or reset for a look, so that what it holds may start. */
function ResetCaution({ point, look: { state, power } }: { point: OpenPoint; look: Look }) {
  if (!guardsPeople(point) || power === 'off' || state === 'away' || state === 'any') return null;
  return (
    <Caution>
      What a reset releases can move at once: first see that nobody is in reach, and that whoever runs the
      machine knows.
    </Caution>
  );
}

const NothingLeft = ({ hasSeen }: { hasSeen: boolean }) => (
  <Card title="Look next">
    <Row first>
      <Text as="body">
        {hasSeen
          ? 'Nothing that can be looked at here tells more. What is left stands among the suspects.'
          : 'There is nothing that can be looked at here.'}
      </Text>
    </Row>
  </Card>
);

/** A way to stay where one stands. */
function Here({
  point,
  dictionary,
  look,
  onChoose,
}: Of & { look: number; onChoose: (look: number) => void }) {
  const one = dictionary.looks[look];
  if (!one) return null;
  return (
    <Button label={`Right here instead: ${lookLabel(point.analysis, one)}`} onPress={() => onChoose(look)} />
  );
}

/** Whatever else somebody would rather look at, or has seen already. */
function Elsewhere({
  point,
  dictionary,
  proposals,
  look,
  onChoose,
}: Of & { proposals: readonly Proposal[]; look: number; onChoose: (look: number) => void }) {
  const options = proposals.flatMap((one) => {
    const own = dictionary.looks[one.look];
    return own ? [{ value: String(one.look), label: lookLabel(point.analysis, own) }] : [];
  });
  if (options.length < 2) return null;
  return (
    <Select
      label="Or look elsewhere"
      value={String(look)}
      options={options}
      onChange={(value) => onChoose(Number(value))}
    />
  );
}

/** A voltage between wider limits than parts and supplies have wanders between them, V and a share of it. */
const WANDERS = { volts: 1.2, share: 0.12 } as const;

function sightText(look: Look, sight: Sight): string {
  if (!isReading(sight))
    return sight.kind === 'either' ? 'either' : indicatorText(look.kind, sight.kind === 'on');
  const middle = middleOf(sight);
  const width = sight.max - sight.min;
  if (sight.kind === 'value' && width > 0.5 * (sight.span ?? 1)) return 'anything';
  if (sight.kind === 'volts' && width > WANDERS.volts + WANDERS.share * Math.abs(middle))
    return `${readText(look, sight.min)} to ${readText(look, sight.max)}`;
  return readText(look, middle);
}

/** So many of what it could show stand in sight. */
const SHOWN = 5;

/** What it could show: each reading once, with the likeliest suspect that would make it, and how likely all are. */
function Tells({ found, look, own }: Of & { look: number; own: Look }) {
  const readings = new Map<string, { share: number; count: number; first: Suspect }>();
  for (const suspect of found) {
    const sight = suspect.rows[0]?.sights[look];
    if (!sight || suspect.share < 0.005) continue;
    const text = sightText(own, sight);
    const known = readings.get(text) ?? { share: 0, count: 0, first: suspect };
    readings.set(text, { ...known, share: known.share + suspect.share, count: known.count + 1 });
  }
  const rows = [...readings].sort(([, a], [, b]) => b.share - a.share).slice(0, SHOWN);
  return (
    <Row className="gap-1">
      <Text as="small">What it could show</Text>
      {rows.map(([text, { share, count, first }]) => (
        <View key={text} className="flex-row items-baseline gap-3">
          <Text as="mono" className="min-w-[92px]">
            {text}
          </Text>
          <Text as="small" className="min-w-0 flex-1">
            {count > 1
              ? `${suspectText(first)}; ${count - 1} ${count === 2 ? 'other' : 'others'}`
              : suspectText(first)}
          </Text>
          <Text as="mono">{`${Math.max(1, Math.round(100 * share))} %`}</Text>
        </View>
      ))}
    </Row>
  );
}
