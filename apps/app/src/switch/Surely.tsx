import { textOf } from '@keypost/core/messages';
import type { DecidedAt, PointOutput, ThresholdRow } from '@keypost/core/switching';
import { written } from '@keypost/core/units';
import { View } from 'react-native';
import { linkNumber, linkText } from '../chain/chainText';
import type { LinkText } from '../chain/chainText';
import { Card, Row } from '../ui/Card';
import { Notice } from '../ui/Notice';
import { Text } from '../ui/Text';

/** How surely a threshold is met: what is wrong with it, where it would be decided better, and its bands in every unit. */
export function Surely({ found: { threshold, output, own, made } }: { found: PointOutput }) {
  const { unit, places, rows, findings } = threshold;
  const words = linkText(made);
  const relay = output.accuracyPercent ?? 0;
  const names: Readonly<Record<DecidedAt, string>> = {
    sensor: 'In the sensor',
    relay: output.decidedBy === 'relay' ? `By a relay of ±${written(relay, 2)} %` : 'By a relay of ±0.5 %',
    controller: 'In the controller',
    screen: 'By the panel screen',
  };
  const labels = own.mode.kind === 'points' ? (['On', 'Off'] as const) : (['From', 'To'] as const);
  return (
    <Card title="How surely">
      <View role="status" aria-label="How surely it switches">
        {findings.map((finding, i) => (
          <Row key={i} first={i === 0}>
            <Notice>{textOf(finding)}</Notice>
          </Row>
        ))}
        <Row first={!findings.length} className="gap-1">
          <Text as="strong">Off by at worst, where it is decided</Text>
          {places.map(({ at, plusMinus }) => (
            <View key={at} className="flex-row flex-wrap items-baseline justify-between gap-x-2">
              <Text as={at === output.decidedBy ? 'strong' : 'body'}>{names[at]}</Text>
              <Text as="number">{`±${written(plusMinus, 2)} ${unit}`}</Text>
            </View>
          ))}
        </Row>
        <Row>
          <Text as="strong">{`Between, decided ${output.decidedBy === 'relay' ? 'by the relay' : 'in the controller'}`}</Text>
        </Row>
        {rows.map((row) => (
          <LinkRow key={row.key} row={row} words={words[row.key]} labels={labels} />
        ))}
      </View>
    </Card>
  );
}

function LinkRow({
  row: { key, ends },
  words,
  labels,
}: {
  row: ThresholdRow;
  words: LinkText;
  labels: readonly [string, string];
}) {
  return (
    <Row className="gap-0.5 py-2">
      <Text as="body">{words.label}</Text>
      {ends.map(({ min, max }, i) => (
        <View key={i} className="flex-row flex-wrap justify-between gap-x-3">
          <Text as="small">{labels[i]}</Text>
          <Text as="number">
            {`${linkNumber(key, min, words.digits)} to ${linkNumber(key, max, words.digits)} ${words.unit}`.trim()}
          </Text>
        </View>
      ))}
    </Row>
  );
}
