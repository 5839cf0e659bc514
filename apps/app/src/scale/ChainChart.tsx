import { textOf } from '@keypost/core/messages';
import { bandText, budgetAt, countedOf, engineeringOf } from '@keypost/core/scaling';
import { unlessRefused } from '@keypost/core/model';
import type { BandName, PointChain, SignalChain } from '@keypost/core/scaling';
import { useMemo } from 'react';
import { View } from 'react-native';
import { Circle, Line, Path } from 'react-native-svg';
import type { OpenPoint } from '../point/usePoint';
import { Slider } from '../ui/Slider';
import { useTokens } from '../ui/theme';
import { Axes, bandOf, Clipped, pathOf, Strip } from '../drawing/Axes';
import type { Extent, Frame } from '../drawing/Axes';
import { minShown } from '../chain/chainText';
import type { ChainMoment } from '../chain/useChain';

type Places = readonly (readonly [x: number, y: number])[];

interface Drawn {
  readonly curve: Places;
  /** What there truly is at a signal; only where the program makes something else of it. */
  readonly truth?: Places;
  readonly upper: Places;
  readonly lower: Places;
}

const STEPS = 96;

/** Curve, bands, error band, and the present point of a chain. */
export function ChainChart({ point, moment }: { point: OpenPoint; moment: ChainMoment }) {
  const { made, state } = moment;
  const { chain } = made;
  const { bands, controller } = chain;
  const drawn = useMemo(() => draw(point, made), [point, made]);
  const room = 0.12 * (bands.overAt - bands.underAt);
  const { unit } = chain.input;
  const across = {
    low: minShown(chain.input, Math.max(bands.lowFault, bands.underAt - room) - room / 2),
    high: Math.min(bands.highFault, bands.overAt + room) + room / 2,
    unit,
  };
  const [low, high] = [Math.min(controller.low, controller.high), Math.max(controller.low, controller.high)];
  const above = 0.06 * (high - low);
  const up = { low: low === 0 ? 0 : low - above, high: high + above, unit: controller.unit };
  const input = state.rows.input.value;
  const value = state.rows.engineering.value;
  return (
    <View className="gap-1">
      <Axes
        label={`${controller.unit} over ${chain.input.unit}: ${value.toPrecision(4)} ${controller.unit} at ${input.toPrecision(4)} ${chain.input.unit}`}
        across={across}
        up={up}
        behind={(frame) => <BandStrips frame={frame} chain={chain} across={across} />}
      >
        {(frame) => (
          <>
            <Curves frame={frame} drawn={drawn} />
            <Present
              frame={frame}
              input={clamp(input, across.low, across.high)}
              value={clamp(value, up.low, up.high)}
            />
          </>
        )}
      </Axes>
      <ValueSlider moment={moment} />
    </View>
  );
}

/** A fault in one word, for which a strip has room. */
const faultText = (name: BandName, input: SignalChain['input']): string =>
  textOf(bandText(name, input)).replace('wire ', '');

/** Where the signal is no measurement, or outside its range. */
function BandStrips({
  frame,
  chain: { bands, input },
  across,
}: {
  frame: Frame;
  chain: SignalChain;
  across: Extent;
}) {
  const t = useTokens();
  const bad = { fill: t.failwash, ink: t.fail };
  return (
    <>
      <Strip
        frame={frame}
        from={across.low}
        to={bands.lowFault}
        {...bad}
        words={faultText('lowFault', input)}
      />
      <Strip frame={frame} from={bands.lowFault} to={bands.underAt} fill={t.line} />
      <Strip frame={frame} from={bands.overAt} to={bands.highFault} fill={t.line} />
      <Strip
        frame={frame}
        from={bands.highFault}
        to={across.high}
        {...bad}
        words={faultText('highFault', input)}
      />
    </>
  );
}

function Curves({ frame, drawn }: { frame: Frame; drawn: Drawn }) {
  const t = useTokens();
  const band = bandOf(frame, drawn.upper, drawn.lower);
  return (
    <>
      <Clipped frame={frame} id="sheet">
        {drawn.upper.length > 1 && <Path d={band} fill={t.accent} opacity={0.2} />}
        {drawn.truth && (
          <Path
            d={pathOf(frame, drawn.truth)}
            stroke={t.ink}
            strokeWidth={2}
            strokeDasharray="2 5"
            fill="none"
          />
        )}
        <Path
          d={pathOf(frame, drawn.curve)}
          stroke={t.accent}
          strokeWidth={3.5}
          strokeLinejoin="round"
          fill="none"
        />
      </Clipped>
    </>
  );
}

/** Moves the value with a thumb or with the keys. */
function ValueSlider({ moment: { made, state, moveTo } }: { moment: ChainMoment }) {
  const { low, high } = made.chain.sensor;
  return (
    <Slider
      label="Move the value"
      low={Math.min(low, high)}
      high={Math.max(low, high)}
      value={state.rows.value.value}
      onChange={(value) => moveTo('value', value)}
    />
  );
}

const clamp = (value: number, low: number, high: number): number => Math.min(high, Math.max(low, value));

function Present({ frame, input, value }: { frame: Frame; input: number; value: number }) {
  const t = useTokens();
  const [x, y] = [frame.x(input), frame.y(value)];
  return (
    <>
      <Line x1={frame.left} x2={x} y1={y} y2={y} stroke={t.ink} strokeWidth={1.8} strokeDasharray="3 4" />
      <Line x1={x} x2={x} y1={y} y2={frame.bottom} stroke={t.ink} strokeWidth={1.8} strokeDasharray="3 4" />
      <Circle cx={x} cy={y} r={8.5} fill={t.bone} stroke={t.ink} strokeWidth={2.6} />
      <Circle cx={x} cy={y} r={3.2} fill={t.ink} />
    </>
  );
}

/** A place of a curve, nothing where its function ends. */
const place = (act: () => readonly [number, number]): Places => {
  const found = unlessRefused(act);
  return found ? [found] : [];
};

function draw({ analysis }: OpenPoint, made: PointChain): Drawn {
  const { chain } = made;
  const { bands, sensor } = chain;
  const inputs = Array.from(
    { length: STEPS + 1 },
    (_, i) => bands.lowFault + (i / STEPS) * (bands.highFault - bands.lowFault),
  );
  const curve = inputs.flatMap((x) => place(() => [x, engineeringOf(chain, countedOf(chain, x).counts)]));
  const values = Array.from({ length: 9 }, (_, i) => sensor.low + (i / 8) * (sensor.high - sensor.low));
  const seen = (value: number): number => chain.loop.at(sensor.curve.at(value)).nom;
  const truth = values.flatMap((value) => place(() => [seen(value), value]));
  const off = truth.some(
    ([x, value]) =>
      Math.abs(engineeringOf(chain, countedOf(chain, x).counts) - value) >
      0.01 * Math.abs(sensor.high - sensor.low),
  );
  const errors = values.flatMap((value) => place(() => [value, budgetAt(analysis, made, value).worst]));
  const edge = (sign: 1 | -1): Places =>
    errors.flatMap(([value, error]) =>
      place(() => {
        const x = seen(value);
        return [x, engineeringOf(chain, countedOf(chain, x).counts) + sign * error];
      }),
    );
  return { curve, ...(off && { truth }), upper: edge(1), lower: edge(-1) };
}
