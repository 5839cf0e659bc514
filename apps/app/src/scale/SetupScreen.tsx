import { issueText } from '../ui/issueText';
import { typedMaybe } from '../ui/typedNumbers';
import { Scaling } from '@keypost/core/model';
import { dataValuesOf } from '@keypost/core/scaling';
import type { PointChain } from '@keypost/core/scaling';
import type { RawFormat } from '@keypost/core/model';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import type { FieldErrors } from 'react-hook-form';
import { View } from 'react-native';
import { useLeaving } from '../data/drafts';
import { DraftNotice } from '../data/DraftNotice';
import { FormFoot } from '../data/FormFoot';
import { expecting, useSave } from '../data/useSave';
import type { OpenPoint } from '../point/usePoint';
import { Beside } from '../ui/Beside';
import { Button } from '../ui/Button';
import { Text } from '../ui/Text';
import { ChainSubPage } from '../chain/ChainSubPage';
import { DataFields } from './DataFields';
import { firstDataTexts, readData } from './dataSetup';
import { BandFields, ConverterFields, ControllerFields, DisplayFields, SensorFields } from './setupFields';
import type { Fields, SetupTexts } from './setupFields';

/** Setup of a chain: what its parts and their parameters do not say. */
export function SetupScreen() {
  return (
    <ChainSubPage title="Setup of the chain" pair>
      {(point, { made }) => <SetupForm point={point} made={made} />}
    </ChainSubPage>
  );
}

const text = (value: number | undefined): string => (value === undefined ? '' : String(value));

function firstTexts({ scaling, chain, data }: PointChain): SetupTexts {
  const { sensor, converter, controller } = scaling;
  const { bands, display } = chain;
  const format = chain.converter.format;
  return {
    sensorShape: sensor.shape,
    sensorPercent: text(sensor.percent),
    sensorClass: sensor.class ?? '',
    sensorMultiplier: text(sensor.multiplier),
    formatId: converter.own ? 'own' : format.id,
    ownName: converter.own?.name ?? 'Own format',
    ownLow: text(format.low),
    ownHigh: text(format.high),
    ownMin: text(format.min),
    ownMax: text(format.max),
    zero: converter.zero,
    converterPercent: text(converter.percent),
    updateMs: text(converter.updateMs),
    filterMs: text(converter.filterMs),
    coldKelvin: text(converter.coldKelvin),
    controllerShape: controller.shape,
    cutPercent: text(controller.cutPercent),
    controllerMultiplier: text(controller.multiplier),
    lowFault: text(bands.lowFault),
    underAt: text(bands.underAt),
    overAt: text(bands.overAt),
    highFault: text(bands.highFault),
    delay: text(bands.delay),
    reaction: bands.reaction,
    substitute: text(bands.substitute),
    displayLabel: display.label,
    displayUnit: display.unit,
    displayLow: text(display.low),
    displayHigh: text(display.high),
    decimals: text(display.decimals),
    displayCutoff: text(display.cutoffPercent),
    ...firstDataTexts(scaling, data),
  };
}

/** Names of the fields of the stored row by where they stand in it, so that a problem is shown at its field. */
const FIELD_OF: Readonly<Record<string, keyof SetupTexts>> = {
  'sensor.percent': 'sensorPercent',
  'sensor.multiplier': 'sensorMultiplier',
  'converter.percent': 'converterPercent',
  'converter.updateMs': 'updateMs',
  'converter.filterMs': 'filterMs',
  'converter.coldKelvin': 'coldKelvin',
  'converter.own': 'ownHigh',
  'converter.own.low': 'ownLow',
  'converter.own.high': 'ownHigh',
  'converter.own.min': 'ownMin',
  'converter.own.max': 'ownMax',
  'controller.cutPercent': 'cutPercent',
  'controller.multiplier': 'controllerMultiplier',
  bands: 'lowFault',
  'bands.lowFault': 'lowFault',
  'bands.underAt': 'underAt',
  'bands.overAt': 'overAt',
  'bands.highFault': 'highFault',
  'bands.delay': 'delay',
  'bands.substitute': 'substitute',
  display: 'displayHigh',
  'display.label': 'displayLabel',
  'display.low': 'displayLow',
  'display.high': 'displayHigh',
  'display.decimals': 'decimals',
  'display.cutoffPercent': 'displayCutoff',
  'data.item': 'item',
  'data.line': 'gradient',
  'data.line.gradient': 'gradient',
  'data.line.offset': 'offset',
  'data.line.unit': 'lineUnit',
  'data.raw': 'rawHigh',
  'data.raw.low': 'rawLow',
  'data.raw.high': 'rawHigh',
  'data.stands': 'standsAtOther',
  'data.stands.at': 'standsAt',
  'data.stands.low': 'standsLow',
  'data.stands.atOther': 'standsAtOther',
  'data.stands.high': 'standsHigh',
  'data.stands.unit': 'standsUnit',
  'data.program': 'programRawHigh',
  'data.program.rawLow': 'programRawLow',
  'data.program.rawHigh': 'programRawHigh',
  'data.program.low': 'programLow',
  'data.program.high': 'programHigh',
};

const BAND_TEXTS = ['lowFault', 'underAt', 'overAt', 'highFault', 'delay', 'reaction', 'substitute'] as const;
const DISPLAY_TEXTS = [
  'displayLabel',
  'displayUnit',
  'displayLow',
  'displayHigh',
  'decimals',
  'displayCutoff',
] as const;

const ownFormat = (texts: SetupTexts): RawFormat => ({
  id: 'own',
  name: texts.ownName,
  kind: 'share',
  low: typedMaybe(texts.ownLow) ?? NaN,
  high: typedMaybe(texts.ownHigh) ?? NaN,
  min: typedMaybe(texts.ownMin) ?? NaN,
  max: typedMaybe(texts.ownMax) ?? NaN,
  step: 1,
  bothSides: false,
});

const bandsOf = (texts: SetupTexts, unit: string) => ({
  lowFault: typedMaybe(texts.lowFault, unit),
  underAt: typedMaybe(texts.underAt, unit),
  overAt: typedMaybe(texts.overAt, unit),
  highFault: typedMaybe(texts.highFault, unit),
  delay: typedMaybe(texts.delay, 's'),
  reaction: texts.reaction,
  ...(texts.reaction === 'substitute' && { substitute: typedMaybe(texts.substitute) }),
});

const displayOf = (texts: SetupTexts) => ({
  label: texts.displayLabel,
  unit: texts.displayUnit,
  low: typedMaybe(texts.displayLow, texts.displayUnit),
  high: typedMaybe(texts.displayHigh, texts.displayUnit),
  decimals: typedMaybe(texts.decimals),
  cutoffPercent: typedMaybe(texts.displayCutoff, '%'),
});

/** What was typed as the row that is stored, or what is wrong by field. */
function read(
  texts: SetupTexts,
  follows: {
    readonly bands: boolean;
    readonly display: boolean;
    readonly unit: string;
    readonly isData: boolean;
    readonly data: unknown;
  },
): { scaling: Scaling } | { errors: FieldErrors<SetupTexts> } {
  const own = texts.formatId === 'own' ? ownFormat(texts) : undefined;
  const parsed = Scaling.safeParse({
    sensor: {
      shape: texts.sensorShape,
      percent: typedMaybe(texts.sensorPercent, '%'),
      class: texts.sensorClass || undefined,
      multiplier: typedMaybe(texts.sensorMultiplier),
    },
    converter: {
      ...(own ? { own } : follows.isData ? {} : { formatId: texts.formatId }),
      zero: texts.zero,
      percent: typedMaybe(texts.converterPercent, '%'),
      updateMs: typedMaybe(texts.updateMs, 'ms'),
      filterMs: typedMaybe(texts.filterMs, 'ms'),
      coldKelvin: typedMaybe(texts.coldKelvin),
    },
    controller: {
      shape: texts.controllerShape,
      cutPercent: typedMaybe(texts.cutPercent, '%'),
      multiplier: typedMaybe(texts.controllerMultiplier),
    },
    bands: follows.bands ? undefined : bandsOf(texts, follows.unit),
    display: follows.display ? undefined : displayOf(texts),
    ...(follows.isData && { data: follows.data }),
  });
  if (parsed.success) return { scaling: parsed.data };
  const errors: { -readonly [Name in keyof FieldErrors<SetupTexts>]: FieldErrors<SetupTexts>[Name] } = {};
  for (const issue of parsed.error.issues) {
    const { path, code } = issue;
    const field = FIELD_OF[path.join('.')] ?? 'displayLabel';
    errors[field] ??= { type: code ?? 'refused', message: issueText(issue) };
  }
  return { errors };
}

/** The form's texts as a scaling; what nobody chose goes on following the range. */
function readFollowing(texts: SetupTexts, first: SetupTexts, { scaling, chain, data }: PointChain) {
  const same = (names: readonly (keyof SetupTexts)[]): boolean =>
    names.every((name) => texts[name] === first[name]);
  return read(texts, {
    bands: scaling.bands === undefined && same(BAND_TEXTS),
    display: scaling.display === undefined && same(DISPLAY_TEXTS),
    unit: chain.input.unit,
    isData: data !== undefined,
    data: readData(texts, first, scaling),
  });
}

/** Where the value comes from: of data which it is, else sensor, converter and program. */
function SourceFields({ point, ...fields }: Fields & { point: OpenPoint }) {
  const { context } = point.analysis;
  const sent = dataValuesOf(context);
  if (sent && 'values' in sent) return <DataFields {...fields} values={sent.values} />;
  return (
    <>
      <SensorFields {...fields} point={point} />
      <ConverterFields {...fields} isThermocouple={context.output.thermocouple !== undefined} />
      <ControllerFields {...fields} />
    </>
  );
}

function SetupForm({ point, made }: { point: OpenPoint; made: PointChain }) {
  const router = useRouter();
  const saver = useSave(point.view);
  const { point: row } = point.analysis.context;
  const [seen] = useState(() => expecting(point.view, 'points', row.id));
  const [first] = useState(() => firstTexts(made));
  const form = useForm<SetupTexts, unknown, { scaling: Scaling }>({
    defaultValues: first,
    resolver: (texts) => {
      const outcome = readFollowing(texts, first, made);
      return 'scaling' in outcome ? { values: outcome, errors: {} } : { values: {}, errors: outcome.errors };
    },
  });
  const { control, setValue, handleSubmit, formState } = form;
  const { draft, leave } = useLeaving(form, `${point.view.id}.${row.id}.setup`, () =>
    router.navigate(`${point.base}/scale`),
  );
  const texts = useWatch({ control }) as SetupTexts;
  const { errors } = formState;
  const store = (scaling: Scaling | null) =>
    void saver.save({ kind: 'setScaling', pointId: row.id, scaling }, { expects: seen, then: leave });
  const fields = {
    texts,
    problems: Object.fromEntries(Object.entries(errors).map(([name, error]) => [name, error?.message])),
    change: (patch: Partial<SetupTexts>) => {
      for (const [name, value] of Object.entries(patch))
        setValue(name as keyof SetupTexts, value, { shouldValidate: formState.isSubmitted });
    },
  };
  return (
    <View className="gap-4">
      <DraftNotice draft={draft} />
      <Beside
        left={<SourceFields {...fields} point={point} />}
        right={
          <>
            <BandFields {...fields} arriving={made.chain.input} ends={made.ends} />
            <DisplayFields {...fields} />
          </>
        }
      />
      {Object.keys(errors).length > 0 && <Text as="fail">Some fields above are not right yet.</Text>}
      <FormFoot
        view={point.view}
        saver={saver}
        label="Store"
        onStore={() => void handleSubmit(({ scaling }) => store(scaling))()}
        onDone={leave}
      >
        {row.scaling && <Button label="Let it follow" onPress={() => store(null)} />}
      </FormFoot>
    </View>
  );
}
