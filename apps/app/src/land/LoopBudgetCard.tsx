import { textOf } from '@keypost/core/messages';
import { DIGITAL_OHMS, loopBudget } from '@keypost/core/analysis';
import { fixed, formatMilliamps, formatVolts } from '@keypost/core/units';
import { formatOhms } from '@keypost/core/units';
import type { Analysis } from '@keypost/core/analysis';
import { useMemo } from 'react';
import { View } from 'react-native';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';

/** How the supply's volts are shared round a two-wire transmitter's loop, and what is left over. */
export function LoopBudgetCard({ analysis }: { analysis: Analysis }) {
  const budget = useMemo(() => loopBudget(analysis), [analysis]);
  if (!budget) return null;
  if (budget.isOpen)
    return (
      <Card title="Loop budget">
        <Row first>
          <Text as="fail">The loop is open: no current can flow, so there is nothing to share out.</Text>
        </Row>
      </Card>
    );
  const { supplyVolts, amps, drops, left, needs, margin, ohms, longestM } = budget;
  const enough = margin >= 0;
  const line = (label: string, value: string, strong = false) => (
    <View key={label} className="flex-row items-baseline justify-between gap-3 py-0.5">
      <Text as={strong ? 'strong' : 'body'} className="flex-1">
        {label}
      </Text>
      <Text as="number">{value}</Text>
    </View>
  );
  return (
    <Card title="Loop budget" aside={<Text as="mono">{`at ${formatMilliamps(amps)}`}</Text>}>
      <Row first>
        {line('Supply', formatVolts(supplyVolts))}
        {drops.map(({ label, volts }) => line(textOf(label), `−${formatVolts(volts)}`))}
        {line('Left for the transmitter, at worst', formatVolts(left.min), true)}
        {line('It needs', formatVolts(needs))}
      </Row>
      <Row>
        <Text as={enough ? 'strong' : 'fail'}>
          {enough
            ? `${formatVolts(margin)} to spare${longestM > 0 ? `: the cable may be ${fixed(Math.floor(longestM), 0)} m long.` : '.'}`
            : `${formatVolts(-margin)} too few at the top current.`}
        </Text>
        {Number.isFinite(ohms) && (
          <Text as="small" className="pt-1">
            {`Resistance in the loop: ${formatOhms(ohms)}. Digital communication on it needs ${DIGITAL_OHMS} Ω${ohms >= DIGITAL_OHMS * 0.98 ? ', which is there.' : ' or more: put a resistor in series.'}`}
          </Text>
        )}
      </Row>
    </Card>
  );
}
