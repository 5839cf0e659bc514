import { textOf } from '@keypost/core/messages';
import type { Message } from '@keypost/core/messages';
import { Bands } from '@keypost/core/model';
import { typedIn } from '../ui/typedNumbers';
import { BAND_SETS, isShort, RAW_FORMATS, swallowedEnds } from '@keypost/core/scaling';
import type { BandName, SignalChain } from '@keypost/core/scaling';
import { elementOf } from '@keypost/core/network';
import { View } from 'react-native';
import type { OpenPoint } from '../point/usePoint';
import { RadioGroup } from '../ui/RadioGroup';
import { Caution } from '../ui/Notice';
import { Field } from '../ui/Field';
import { Card, Row } from '../ui/Card';
import { Select } from '../ui/Select';
import { Button } from '../ui/Button';

/** Everything that can be chosen along a chain, as it is typed. */
export interface SetupTexts {
  readonly sensorShape: 'linear' | 'square' | 'table';
  readonly sensorPercent: string;
  readonly sensorClass: string;
  readonly sensorMultiplier: string;
  readonly formatId: string;
  readonly ownName: string;
  readonly ownLow: string;
  readonly ownHigh: string;
  readonly ownMin: string;
  readonly ownMax: string;
  readonly zero: 'removed' | 'included';
  readonly converterPercent: string;
  readonly updateMs: string;
  readonly filterMs: string;
  readonly coldKelvin: string;
  readonly controllerShape: 'linear' | 'root' | 'table';
  readonly cutPercent: string;
  readonly controllerMultiplier: string;
  readonly lowFault: string;
  readonly underAt: string;
  readonly overAt: string;
  readonly highFault: string;
  readonly delay: string;
  readonly reaction: 'hold' | 'substitute' | 'fail';
  readonly substitute: string;
  readonly displayLabel: string;
  readonly displayUnit: string;
  readonly displayLow: string;
  readonly displayHigh: string;
  readonly decimals: string;
  readonly displayCutoff: string;
  readonly item: string;
  readonly gradient: string;
  readonly offset: string;
  readonly lineUnit: string;
  readonly rawLow: string;
  readonly rawHigh: string;
  readonly standsAt: string;
  readonly standsLow: string;
  readonly standsAtOther: string;
  readonly standsHigh: string;
  readonly standsUnit: string;
  readonly programRawLow: string;
  readonly programLow: string;
  readonly programRawHigh: string;
  readonly programHigh: string;
}

export interface Fields {
  readonly texts: SetupTexts;
  readonly problems: Partial<Record<keyof SetupTexts, string>>;
  readonly change: (patch: Partial<SetupTexts>) => void;
}

export function Typed({
  of: { texts, problems, change },
  name,
  label,
  unit,
  hint,
  words = false,
}: {
  of: Fields;
  name: keyof SetupTexts;
  label: string;
  unit?: string;
  hint?: string;
  words?: boolean;
}) {
  return (
    <View className="min-w-[140px] flex-1">
      <Field
        label={label}
        value={texts[name]}
        onChange={(value) => change({ [name]: value })}
        problem={problems[name]}
        unit={unit}
        hint={hint}
        inputMode={words ? 'text' : 'decimal'}
        mono={!words}
      />
    </View>
  );
}

export const Side = ({ children }: { children: React.ReactNode }) => (
  <View className="flex-row flex-wrap gap-3">{children}</View>
);

/** The sensor: shape, accuracy or class, and how many times its own value the wanted one is. */
export function SensorFields({ point, ...of }: Fields & { point: OpenPoint }) {
  const { context } = point.analysis;
  const { thermocouple } = context.output;
  const classes = thermocouple
    ? ['1', '2', '3']
    : elementOf(context)?.kind === 'rtd'
      ? ['AA', 'A', 'B', 'C']
      : undefined;
  return (
    <Card title="Sensor">
      <Row first className="gap-3">
        {!classes && (
          <RadioGroup
            label="Its signal over the value"
            value={of.texts.sensorShape}
            onChange={(sensorShape) => of.change({ sensorShape })}
            options={[
              { value: 'linear', label: 'straight' },
              { value: 'square', label: 'square', hint: 'pressure of a flow' },
              { value: 'table', label: 'table in force' },
            ]}
          />
        )}
        {classes ? (
          <RadioGroup
            label="Class"
            value={of.texts.sensorClass || (thermocouple ? '2' : 'B')}
            onChange={(sensorClass) => of.change({ sensorClass })}
            options={classes.map((value) => ({ value, label: value }))}
          />
        ) : (
          <Side>
            <Typed
              of={of}
              name="sensorPercent"
              label="Accuracy"
              unit="% of span"
              hint="0.5 is taken while empty"
            />
            <Typed
              of={of}
              name="sensorMultiplier"
              label="Wanted value is times"
              hint="lines of a rope, a ratio"
            />
          </Side>
        )}
      </Row>
    </Card>
  );
}

/** The converter: how its counts lie, what it errs, how quick it is. */
export function ConverterFields({ isThermocouple, ...of }: Fields & { isThermocouple: boolean }) {
  const { texts, change } = of;
  const chosen = RAW_FORMATS.find(({ id }) => id === texts.formatId);
  return (
    <Card title="Converter">
      <Row first className="gap-3">
        <Select
          label="Raw format"
          value={texts.formatId}
          onChange={(formatId) => change({ formatId })}
          options={[
            ...RAW_FORMATS.map(({ id, name }) => ({ value: id, label: name })),
            { value: 'own', label: 'one of your own' },
          ]}
        />
        {texts.formatId === 'own' && (
          <>
            <Typed of={of} name="ownName" label="Name" words />
            <Side>
              <Typed of={of} name="ownLow" label="Counts at bottom" />
              <Typed of={of} name="ownHigh" label="Counts at top" />
            </Side>
            <Side>
              <Typed of={of} name="ownMin" label="Minimum counts" />
              <Typed of={of} name="ownMax" label="Maximum counts" />
            </Side>
          </>
        )}
        {chosen?.kind !== 'unit' && (
          <RadioGroup
            label="Live zero"
            value={texts.zero}
            onChange={(zero) => change({ zero })}
            options={[
              { value: 'removed', label: 'taken off', hint: 'bottom counts are 4 mA' },
              { value: 'included', label: 'in the counts', hint: 'bottom counts are 0 mA' },
            ]}
          />
        )}
        <Side>
          <Typed of={of} name="converterPercent" label="Accuracy" unit="% of range" />
          {isThermocouple && <Typed of={of} name="coldKelvin" label="Cold junction, ±" unit="K" />}
        </Side>
        <Side>
          <Typed of={of} name="updateMs" label="Update" unit="ms" />
          <Typed of={of} name="filterMs" label="Filter" unit="ms" />
        </Side>
      </Row>
    </Card>
  );
}

/** What the program makes of the counts. Its range stands in the module's own parameters, in Set. */
export function ControllerFields(of: Fields) {
  const { texts, change } = of;
  return (
    <Card title="Controller">
      <Row first className="gap-3">
        <RadioGroup
          label="What it makes of the counts"
          value={texts.controllerShape}
          onChange={(controllerShape) => change({ controllerShape })}
          options={[
            { value: 'linear', label: 'straight line' },
            { value: 'root', label: 'square root' },
            { value: 'table', label: 'table in force' },
          ]}
        />
        <Side>
          {texts.controllerShape === 'root' && (
            <Typed of={of} name="cutPercent" label="Zero below" unit="%" />
          )}
          <Typed of={of} name="controllerMultiplier" label="Times" hint="lines of a rope, a ratio" />
        </Side>
      </Row>
    </Card>
  );
}

type Arriving = SignalChain['input'];

/** What the limits as they are typed would do to the ends of the range; nothing while one is no number. */
function swallowedBy(texts: SetupTexts, ends: { low: number; high: number }, arriving: Arriving): Message[] {
  const [lowFault, underAt, overAt, highFault] = [
    texts.lowFault,
    texts.underAt,
    texts.overAt,
    texts.highFault,
  ].map((text) => typedIn(text, arriving.unit));
  const bands = Bands.safeParse({ lowFault, underAt, overAt, highFault, delay: 0, reaction: 'hold' });
  return bands.success ? swallowedEnds(bands.data, ends, arriving) : [];
}

const faultLabel = (name: BandName, { unit, isData }: Arriving): string =>
  isData ? 'No value at' : isShort(name, unit) ? 'Short at' : 'Break at';

/** Limits of the signal, and what is done beyond them. */
export function BandFields({
  arriving,
  ends,
  ...of
}: Fields & { arriving: Arriving; ends: { low: number; high: number } | undefined }) {
  const { texts, change } = of;
  const { unit } = arriving;
  const swallowed = ends ? swallowedBy(texts, ends, arriving) : [];
  return (
    <Card title="Outside the range">
      <Row first className="gap-3">
        {unit === 'mA' && (
          <View className="flex-row flex-wrap gap-2">
            {BAND_SETS.map(({ id, name, bands }) => (
              <Button
                key={id}
                label={textOf(name)}
                onPress={() =>
                  change({
                    lowFault: String(bands.lowFault),
                    underAt: String(bands.underAt),
                    overAt: String(bands.overAt),
                    highFault: String(bands.highFault),
                    delay: String(bands.delay),
                  })
                }
              />
            ))}
          </View>
        )}
        <Side>
          <Typed of={of} name="lowFault" label={faultLabel('lowFault', arriving)} unit={unit} />
          <Typed of={of} name="underAt" label="Under-range below" unit={unit} />
        </Side>
        <Side>
          <Typed of={of} name="overAt" label="Over-range above" unit={unit} />
          <Typed of={of} name="highFault" label={faultLabel('highFault', arriving)} unit={unit} />
        </Side>
        {swallowed.map((message, i) => (
          <Caution key={i}>{textOf(message)}</Caution>
        ))}
        <RadioGroup
          label="When it lasts"
          value={texts.reaction}
          onChange={(reaction) => change({ reaction })}
          options={[
            { value: 'hold', label: 'hold the last' },
            { value: 'substitute', label: 'put another' },
            { value: 'fail', label: 'mark it bad' },
          ]}
        />
        <Side>
          <Typed of={of} name="delay" label="After" unit="s" />
          {texts.reaction === 'substitute' && <Typed of={of} name="substitute" label="Value in its place" />}
        </Side>
      </Row>
    </Card>
  );
}

/** The screen that is read. */
export function DisplayFields(of: Fields) {
  return (
    <Card title="Panel screen">
      <Row first className="gap-3">
        <Side>
          <Typed of={of} name="displayLabel" label="Name" words />
          <Typed of={of} name="displayUnit" label="Unit" words />
        </Side>
        <Side>
          <Typed of={of} name="displayLow" label="Shows at the bottom" />
          <Typed of={of} name="displayHigh" label="Shows at the top" />
        </Side>
        <Side>
          <Typed of={of} name="decimals" label="Decimal places" />
          <Typed of={of} name="displayCutoff" label="Cut-off" unit="%" />
        </Side>
      </Row>
    </Card>
  );
}
