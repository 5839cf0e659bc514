import type { Analysis } from '@keypost/core/analysis';
import { actOf, heldText, looksOf, lookText, railsOf } from '@keypost/core/fault';
import type { HowHeld } from '@keypost/core/fault';
import { refText } from '@keypost/core/job';
import { textOf } from '@keypost/core/messages';
import { useState } from 'react';
import { View } from 'react-native';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { Card, Row } from '../ui/Card';
import { RadioGroup } from '../ui/RadioGroup';
import { Select } from '../ui/Select';
import { Text } from '../ui/Text';
import type { Play } from './useRound';

/** What can be done in a round: the target, the power, what is seen, and the meter. */
export function RoundMeter({ point, play }: { point: OpenPoint; play: Play }) {
  const { context } = point.analysis;
  const isPulsing = context.output.drivenBy === 'pulses';
  const [state, setState] = useState<HowHeld>(isPulsing ? 'pulses' : 'away');
  const [power, setPower] = useState<'on' | 'off'>('on');
  return (
    <>
      <Card title="How it stands">
        <Row first className="gap-3">
          {isPulsing ? (
            <Text as="small">
              Pulses should come all the time. Nobody can hold one still: look for a while, and expect a meter
              to wander from one level to the other.
            </Text>
          ) : (
            <RadioGroup
              label="Target or value"
              value={state}
              options={heldIn(point.analysis)}
              onChange={setState}
            />
          )}
          <RadioGroup
            label="Power"
            value={power}
            options={[
              { value: 'on', label: 'On' },
              { value: 'off', label: 'Isolated, proven dead' },
            ]}
            onChange={setPower}
          />
        </Row>
      </Card>
      {power === 'on' && <Looks point={point} play={play} state={state} />}
      <Meter point={point} play={play} state={state} power={power} />
    </>
  );
}

/** How the target can be held: a guard that is reset by hand with its button down as well. */
const heldIn = (analysis: Analysis): { value: HowHeld; label: string }[] =>
  (['away', 'present', ...(analysis.pressed ? (['pressed'] as const) : [])] as const).map((state) => ({
    value: state,
    label: textOf(heldText(analysis, state)),
  }));

/** What is seen without a meter. */
function Looks({ point: { analysis }, play, state }: { point: OpenPoint; play: Play; state: HowHeld }) {
  const looks = looksOf(analysis).filter(
    (look) => !('red' in look) && (look.state === 'any' || look.state === state),
  );
  return (
    <Card title="Look">
      <Row first className="gap-3">
        {looks.map((look) => (
          <Button
            key={look.id}
            label={textOf(lookText(analysis, look).what)}
            onPress={() => play.doAct({ ...actOf(look), state })}
          />
        ))}
      </Row>
    </Card>
  );
}

function Meter({
  point: { analysis, index },
  play,
  state,
  power,
}: {
  point: OpenPoint;
  play: Play;
  state: HowHeld;
  power: 'on' | 'off';
}) {
  const { scope } = analysis.context;
  const [kind, setKind] = useState<'volts' | 'amps' | 'ohms'>('volts');
  const refs = [...new Set([...railsOf(analysis), ...scope.wires.flatMap(({ from, to }) => [from, to])])];
  const [red, setRed] = useState(refs[0] ?? '');
  const [black, setBlack] = useState(refs[1] ?? '');
  const options = refs.map((ref) => ({ value: ref, label: textOf(refText(index, ref)) }));
  const same = red === black;
  return (
    <Card title="Meter">
      <Row first className="gap-3">
        <RadioGroup
          label="Range"
          value={kind}
          options={[
            { value: 'volts', label: 'V' },
            { value: 'amps', label: 'mA' },
            { value: 'ohms', label: 'Ω' },
          ]}
          onChange={setKind}
        />
        <Select label="Red lead on" value={red} options={options} onChange={setRed} />
        <Select label="Black lead on" value={black} options={options} onChange={setBlack} />
        {kind === 'amps' && (
          <Text as="small">
            Between the two ends of a wire the meter takes its place; anywhere else it lies across.
          </Text>
        )}
        <View>
          <Button
            label="Measure"
            kind="main"
            disabled={same}
            onPress={() => play.doAct({ kind, red, black, state, power })}
          />
        </View>
        {same && <Text as="small">The leads stand on one terminal: choose two.</Text>}
      </Row>
    </Card>
  );
}
