import { nth } from '@keypost/core/lists';
import { textOf } from '@keypost/core/messages';
import { bandOf, bandText, chainOf } from '@keypost/core/scaling';
import { fixed } from '@keypost/core/units';
import { wanted } from '@keypost/core/verdict';
import { signalText } from '@keypost/core/analysis';
import type { Analysis, PointState } from '@keypost/core/analysis';
import { View } from 'react-native';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';

type Line = readonly [label: string, read: (state: PointState) => string];

const onOff = (on: boolean): string => (on ? 'on' : 'off');

/**
 * Everything that a technician can see in each state, kept apart: output, terminal, input LED, program bit, reading,
 * relays and loads.
 */
export function FiveStates({ analysis }: { analysis: Analysis }) {
  const { shown } = analysis;
  const width = shown.length > 2 ? 'min-w-[76px]' : 'min-w-[104px]';
  return (
    <Card title={shown.length > 2 ? 'All states' : 'Both states'}>
      <Row first className="flex-row flex-wrap justify-end gap-2 py-2">
        <Text as="small" className="flex-1">
          {' '}
        </Text>
        {shown.map(({ situation }) => (
          <Text key={situation.key} as="small" className={`${width} text-right`}>
            {textOf(situation.words)}
          </Text>
        ))}
      </Row>
      {linesOf(analysis).map(([label, read]) => (
        <Row key={label} className="flex-row flex-wrap items-center justify-end gap-2 py-2">
          <View className="flex-1">
            <Text as="body">{label}</Text>
          </View>
          {shown.map((state) => (
            <Text key={state.situation.key} as="number" className={`${width} text-right`}>
              {read(state)}
            </Text>
          ))}
        </Row>
      ))}
    </Card>
  );
}

/** What a signal outside its range is; nothing for one within. */
function outsideText(analysis: Analysis, signal: number): string {
  const made = chainOf(analysis);
  if (!made || 'problem' in made) return '';
  const band = bandOf(made.chain.bands, signal);
  return band === 'range' ? '' : textOf(bandText(band, made.chain.input));
}

function linesOf(analysis: Analysis): Line[] {
  const { context, shown } = analysis;
  const first = nth(shown, 0);
  const several = first.inputs.length > 1;
  return [
    ...(context.kind === 'none' ? [] : [['Output', (s: PointState) => onOff(s.outputOn)] as const]),
    ['Terminal', signalText],
    ...context.helpers.flatMap(({ id, tag }): Line[] =>
      first.coils.has(id)
        ? [[`${tag} coil`, (s) => `${s.solution.active(`${id}/coil`) ? 'in' : 'out'}`]]
        : [],
    ),
    ...first.loads.map(({ expected }, i): Line => [
      expected.on === 'always' ? `${expected.label} supply` : expected.label,
      (s) => `${onOff(nth(s.loads, i).on)}${nth(s.loads, i).on === wanted(s, nth(s.loads, i)) ? '' : ' !'}`,
    ]),
    ...first.inputs.flatMap(({ own }, i): Line[] => [
      [several ? `${own.module.tag} ${own.port.label} LED` : 'Input LED', (s) => nth(s.inputs, i).led],
      [
        `Bit${own.address ? ` ${own.address}` : ''}`,
        (s) => (nth(s.inputs, i).bit === undefined ? '?' : String(nth(s.inputs, i).bit)),
      ],
    ]),
    ...first.measured.map(({ own, unit }, i): Line => [
      own.address ?? `${own.module.tag} ${own.port.label}`,
      (s) => {
        const { nom } = nth(s.measured, i).value;
        const outside = i === 0 ? outsideText(analysis, nom) : '';
        return `${fixed(nom, unit === 'V' ? 2 : 1)}\u00a0${unit}${outside && ` ${outside}`}`;
      },
    ]),
  ];
}
