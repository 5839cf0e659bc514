import { refusalText } from '../data/refusalText';
import { JobProblem } from '@keypost/core/model';
import { effective } from '@keypost/core/scaling';
import { hysteresisOf, outputOver, switchingWith, watchedUnit } from '@keypost/core/switching';
import type { PointOutput } from '@keypost/core/switching';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { v4 as uuid } from 'uuid';
import { ChainSubPage } from '../chain/ChainSubPage';
import { FromSources } from '../chain/FromSources';
import { ReadRows } from '../chain/ReadRows';
import type { ChainMoment } from '../chain/useChain';
import { dropDraft, useDraftState } from '../data/drafts';
import { FormFoot } from '../data/FormFoot';
import { expecting, useSave } from '../data/useSave';
import type { OpenPoint } from '../point/usePoint';
import { ToolCard } from '../tools/ToolCard';
import { Beside } from '../ui/Beside';
import { Button } from '../ui/Button';
import { Notice } from '../ui/Notice';
import { Text } from '../ui/Text';
import { OutputChart } from './OutputChart';
import { OutputFaults } from './OutputFaults';
import { Surely } from './Surely';
import { isBare, NEW_THRESHOLD, readThreshold, thresholdTexts, ThresholdTexts } from './thresholdDraft';
import { ThresholdFields } from './ThresholdFields';

type Made = ChainMoment['made'];

/** A threshold on a value: between which values it truly switches, what its output does, and what it needs. */
export function ThresholdScreen() {
  return (
    <ChainSubPage title="Threshold" of="switch" pair>
      {(point, { made }) => <ThresholdForm point={point} made={made} />}
    </ChainSubPage>
  );
}

/** What is typed of a threshold, what comes of it, and how it is stored. */
function useThreshold(point: OpenPoint, made: Made) {
  const router = useRouter();
  const saver = useSave(point.view);
  const { id: asked } = useLocalSearchParams<{ id?: string }>();
  const { point: row } = point.analysis.context;
  const stored = row.switching?.outputs ?? [];
  const own = stored.find(({ id }) => id === asked);
  const [id] = useState(() => own?.id ?? uuid());
  const draft = `${point.view.id}.${row.id}.threshold.${own?.id ?? 'new'}`;
  const [texts, setTexts] = useDraftState(draft, ThresholdTexts, own ? thresholdTexts(own) : NEW_THRESHOLD);
  const [tried, setTried] = useState(false);
  const [seen] = useState(() => expecting(point.view, 'points', row.id));
  const read = useMemo(() => readThreshold(texts, id, watchedUnit(made, texts.watches)), [texts, id, made]);
  const found = useMemo((): PointOutput | string | undefined => {
    if (!('output' in read)) return undefined;
    try {
      return outputOver(point.analysis, made, read.output);
    } catch (error) {
      if (error instanceof JobProblem) return refusalText(error);
      throw error;
    }
  }, [read, point.analysis, made]);
  const leave = () => {
    dropDraft(draft);
    router.navigate(`${point.base}/switch`);
  };
  const put = (outputs: typeof stored) =>
    void saver.save(
      { kind: 'setSwitching', pointId: row.id, switching: switchingWith(row.switching, { outputs }) },
      { expects: seen, then: leave },
    );
  const store = () => {
    setTried(true);
    if ('output' in read && typeof found === 'object')
      put(own ? stored.map((one) => (one.id === id ? read.output : one)) : [...stored, read.output]);
  };
  const remove = own && (() => put(stored.filter((one) => one.id !== id)));
  // Before both values stand there is nothing to say of them.
  const problems = 'problems' in read && (tried || !isBare(texts)) ? read.problems : {};
  return { texts, setTexts, found, problems, saver, leave, store, remove };
}

export function ThresholdForm({ point, made }: { point: OpenPoint; made: Made }) {
  const { texts, setTexts, found, problems, saver, leave, store, remove } = useThreshold(point, made);
  const change = (patch: Partial<ThresholdTexts>) => setTexts((before) => ({ ...before, ...patch }));
  return (
    <View className="gap-4">
      <Beside
        left={<ThresholdFields made={made} texts={texts} problems={problems} change={change} />}
        right={
          <>
            {typeof found === 'object' && <OutputChart analysis={point.analysis} found={found} />}
            {typeof found === 'string' && <Notice>{found}</Notice>}
            {typeof found === 'object' && <Surely found={found} />}
            {typeof found === 'object' && <OutputFaults faults={found.faults} />}
            {!found && (
              <Text as="soft">Type at which values it switches: the rest follows from the chain.</Text>
            )}
          </>
        }
      />
      <FormFoot view={point.view} saver={saver} label="Keep the threshold" onStore={store} onDone={leave}>
        {remove && <Button label="Take it away" kind="danger" onPress={remove} />}
      </FormFoot>
      <Around point={point} made={made} texts={texts} found={found} change={change} />
    </View>
  );
}

/** What stands at a device as its damping, ms; nothing where nobody said so. */
function dampingOf({ index, analysis }: OpenPoint): string | undefined {
  const { id } = analysis.context.device;
  const known = effective(index, id, 'damping');
  return known && Number.isFinite(Number(known.value)) ? String(1000 * Number(known.value)) : undefined;
}

/** So many readings tell the noise, one every so many seconds. */
const NOISE = { most: 100, every: 0.25 };

/** The noise around it and the time until something acts, with what is known of the point. */
function Around({
  point,
  made,
  texts,
  found,
  change,
}: {
  point: OpenPoint;
  made: Made;
  texts: ThresholdTexts;
  found: PointOutput | string | undefined;
  change: (patch: Partial<ThresholdTexts>) => void;
}) {
  const { unit } = made.chain.sensor;
  const damping = dampingOf(point);
  const stands = typeof found === 'object' ? String(Number(hysteresisOf(found.own.mode).toPrecision(3))) : '';
  const delay = String(1000 * Number(texts.onDelay.replace(',', '.')) || 0);
  return (
    <Beside
      left={
        <ToolCard
          point={point}
          toolId="hysteresis"
          given={{ unit, known: 'readings', perDay: '1', ...(stands && { asSet: stands }) }}
          head={(use) => (
            <FromSources point={point} made={made}>
              {(source) => (
                <ReadRows
                  source={source}
                  {...NOISE}
                  onDone={(values, period) =>
                    use.fill({
                      known: 'readings',
                      readings: values.map((value) => value.toPrecision(6)).join(' '),
                      period: String(period),
                    })
                  }
                />
              )}
            </FromSources>
          )}
          use={
            texts.watches === 'value'
              ? { label: 'Take it as the hysteresis', onUse: (least) => change(withHysteresis(texts, least)) }
              : undefined
          }
        />
      }
      right={
        <ToolCard point={point} toolId="reaction" given={{ unit, delay, ...(damping && { damping }) }} />
      }
    />
  );
}

/** A threshold that comes back by so much, rounded up to two digits. */
function withHysteresis(texts: ThresholdTexts, least: number): Partial<ThresholdTexts> {
  const unit = 10 ** (Math.floor(Math.log10(least)) - 1);
  const wide = Math.ceil(least / unit - 1e-9) * unit;
  if (texts.kind === 'window') return { hysteresis: String(Number(wide.toPrecision(2))) };
  const [set, reset] = [Number(texts.set), Number(texts.reset || Number(texts.set) - 1)];
  const next = set >= reset ? set - wide : set + wide;
  return Number.isFinite(next) ? { reset: String(Number(next.toPrecision(6))) } : {};
}
