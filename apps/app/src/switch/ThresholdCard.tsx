import { textOf } from '@keypost/core/messages';
import { JobProblem } from '@keypost/core/model';
import { thresholdOf } from '@keypost/core/switching';
import type { DecidedAt, Threshold, ThresholdRow } from '@keypost/core/switching';
import { written } from '@keypost/core/units';
import { useMemo } from 'react';
import { View } from 'react-native';
import { z } from 'zod';
import { useDraftState } from '../data/drafts';
import type { OpenPoint } from '../point/usePoint';
import { Card, Row } from '../ui/Card';
import { Field } from '../ui/Field';
import { Notice } from '../ui/Notice';
import { Text } from '../ui/Text';
import { parseTyped } from '../ui/typedNumbers';
import { linkNumber, linkText } from '../chain/chainText';
import type { LinkText } from '../chain/chainText';
import type { ChainMoment } from '../chain/useChain';

type Made = ChainMoment['made'];

/** What is typed, and what comes of it: a threshold, what is wrong at a field, or nothing yet. */
type Read = { readonly set?: string; readonly reset?: string; readonly threshold?: Threshold };

function read({ analysis }: OpenPoint, made: Made, set: string, reset: string): Read {
  const { unit } = made.chain.sensor;
  if (set.trim() === '' || reset.trim() === '') return {};
  const [on, off] = [parseTyped(set, unit), parseTyped(reset, unit)];
  if (!on.ok) return { set: textOf(on.problem) };
  if (!off.ok) return { reset: textOf(off.problem) };
  try {
    return { threshold: thresholdOf(analysis, made, on.value, off.value) };
  } catch (error) {
    if (error instanceof JobProblem) return { reset: textOf(error.first) };
    throw error;
  }
}

/** A set point and a reset point on a point's value, and between which values they are truly met. */
export function ThresholdCard({ point, made }: { point: OpenPoint; made: Made }) {
  const { sensor } = made.chain;
  const name = `${point.view.id}.${point.analysis.context.point.id}.threshold`;
  const [set, setSet] = useDraftState(`${name}.set`, z.string(), '');
  const [reset, setReset] = useDraftState(`${name}.reset`, z.string(), '');
  const found = useMemo(() => read(point, made, set, reset), [point, made, set, reset]);
  return (
    <Card title="Where it switches">
      <Row first className="gap-4">
        <Text as="small">
          {`In ${sensor.unit}, or in any unit of the same kind. A set point below its reset point switches on falling.`}
        </Text>
        <View className="flex-row gap-3">
          <View className="min-w-0 flex-1">
            <Field
              label="On at"
              value={set}
              onChange={setSet}
              problem={found.set}
              unit={sensor.unit}
              mono
              inputMode="decimal"
            />
          </View>
          <View className="min-w-0 flex-1">
            <Field
              label="Off again at"
              value={reset}
              onChange={setReset}
              problem={found.reset}
              unit={sensor.unit}
              mono
              inputMode="decimal"
            />
          </View>
        </View>
      </Row>
      {found.threshold && <Surely threshold={found.threshold} words={linkText(made)} />}
    </Card>
  );
}

const PLACES: Readonly<Record<DecidedAt, string>> = {
  sensor: 'In the sensor',
  controller: 'In the controller',
  screen: 'By the panel screen',
};

function Surely({
  threshold: { unit, places, rows, findings },
  words,
}: {
  threshold: Threshold;
  words: ReturnType<typeof linkText>;
}) {
  return (
    <View role="status" aria-label="How surely it switches">
      {findings.map((finding, i) => (
        <Row key={i}>
          <Notice>{textOf(finding)}</Notice>
        </Row>
      ))}
      <Row className="gap-1">
        <Text as="strong">Off by at worst, where it is decided</Text>
        {places.map(({ at, plusMinus }) => (
          <View key={at} className="flex-row flex-wrap items-baseline justify-between gap-x-2">
            <Text as="body">{PLACES[at]}</Text>
            <Text as="number">{`±${written(plusMinus, 2)} ${unit}`}</Text>
          </View>
        ))}
      </Row>
      <Row>
        <Text as="strong">Between, decided in the controller</Text>
      </Row>
      {rows.map((row) => (
        <LinkRow key={row.key} row={row} words={words[row.key]} />
      ))}
    </View>
  );
}

function LinkRow({ row: { key, set, reset }, words }: { row: ThresholdRow; words: LinkText }) {
  const between = ({ min, max }: ThresholdRow['set']): string =>
    `${linkNumber(key, min, words.digits)} to ${linkNumber(key, max, words.digits)} ${words.unit}`.trim();
  return (
    <Row className="gap-0.5 py-2">
      <Text as="body">{words.label}</Text>
      <View className="flex-row flex-wrap justify-between gap-x-3">
        <Text as="small">On</Text>
        <Text as="number">{between(set)}</Text>
      </View>
      <View className="flex-row flex-wrap justify-between gap-x-3">
        <Text as="small">Off</Text>
        <Text as="number">{between(reset)}</Text>
      </View>
    </Row>
  );
}
