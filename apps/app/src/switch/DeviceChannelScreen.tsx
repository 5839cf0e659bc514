import { refusalText } from '../data/refusalText';
import { textOf } from '@keypost/core/messages';
import { DeviceChannel, JobProblem } from '@keypost/core/model';
import {
  channelPlan,
  deviceChannels,
  requireChannel,
  standingChannel,
  switchingWith,
} from '@keypost/core/switching';
import type { ChannelPlan } from '@keypost/core/switching';
import type { SingleChange } from '@keypost/core/job';
import { written } from '@keypost/core/units';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { z } from 'zod';
import { ChainSubPage } from '../chain/ChainSubPage';
import type { ChainMoment } from '../chain/useChain';
import { dropDraft, useDraftState } from '../data/drafts';
import { FormFoot } from '../data/FormFoot';
import { expecting, useSave } from '../data/useSave';
import type { OpenPoint } from '../point/usePoint';
import { Card, Row } from '../ui/Card';
import { Notice } from '../ui/Notice';
import { RadioGroup } from '../ui/RadioGroup';
import { Text } from '../ui/Text';
import { problemsBy } from '../ui/issueText';
import { LogicField, ModeFields, modeRead, modeTexts, ModeTexts, NO_MODE } from './ModeFields';

/** A switching function that the device decides itself: what its parameters must hold for it. */
export function DeviceChannelScreen() {
  return (
    <ChainSubPage title="In the device" of="switch">
      {(point, { made }) => (
        <ChannelForm point={point} made={made} channels={deviceChannels(point.analysis)} />
      )}
    </ChainSubPage>
  );
}

type Made = ChainMoment['made'];

const Texts = ModeTexts.extend({ channel: z.enum(['1', '2']), logic: z.enum(['no', 'nc']) });
type Texts = z.infer<typeof Texts>;

/** What is stored of a channel, as it is typed. */
const textsOf = (stored: DeviceChannel | undefined, channel: Texts['channel']): Texts =>
  stored ? { channel, ...modeTexts(stored.mode), logic: stored.logic } : { channel, ...NO_MODE, logic: 'no' };

type Read = {
  readonly plan?: DeviceChannel;
  readonly made?: ChannelPlan;
  readonly problems: Readonly<Record<string, string>>;
};

/** What was typed, and what the device must hold for it. */
function read(texts: Texts, { analysis }: OpenPoint, made: Made): Read {
  const { unit } = made.chain.sensor;
  const parsed = DeviceChannel.safeParse({
    channel: Number(texts.channel),
    unit,
    logic: texts.logic,
    mode: modeRead(texts, unit),
  });
  if (!parsed.success) return { problems: problemsBy(parsed.error, (path) => String(path.at(-1))) };
  try {
    return { plan: parsed.data, made: channelPlan(analysis, made, parsed.data), problems: {} };
  } catch (error) {
    if (error instanceof JobProblem) return { problems: { whole: refusalText(error) } };
    throw error;
  }
}

/** What is typed of a channel, what comes of it, and how it is stored. */
function useChannel(point: OpenPoint, made: Made, channels: readonly DeviceChannel['channel'][]) {
  const router = useRouter();
  const saver = useSave(point.view);
  const { point: row, device } = point.analysis.context;
  const stored = row.switching?.channels ?? [];
  const draft = `${point.view.id}.${row.id}.channel`;
  const [texts, setTexts] = useDraftState(
    draft,
    Texts,
    textsOf(stored[0], String(stored[0]?.channel ?? channels[0] ?? 1) as Texts['channel']),
  );
  const [tried, setTried] = useState(false);
  const [seen] = useState(() => expecting(point.view, 'points', row.id));
  const found = useMemo(() => read(texts, point, made), [texts, point, made]);
  const leave = () => {
    dropDraft(draft);
    router.navigate(`${point.base}/switch`);
  };
  const store = () => {
    setTried(true);
    if (!found.plan || !found.made || found.made.problems.length) return;
    const { plan } = found;
    const others = stored.filter(({ channel }) => channel !== plan.channel);
    const changes = [
      {
        kind: 'setSwitching',
        pointId: row.id,
        switching: switchingWith(row.switching, { channels: [...others, plan] }),
      },
      ...requireChannel(device.id, found.made, `switches at ${row.tag}`),
    ] as SingleChange[];
    void saver.save({ kind: 'batch', changes }, { expects: seen, then: leave });
  };
  return { texts, setTexts, stored, found, tried, saver, leave, store };
}

function ChannelForm({
  point,
  made,
  channels,
}: {
  point: OpenPoint;
  made: Made;
  channels: readonly DeviceChannel['channel'][];
}) {
  const { unit } = made.chain.sensor;
  const { texts, setTexts, stored, found, tried, saver, leave, store } = useChannel(point, made, channels);
  if (!channels.length)
    return <Notice>This device has no switching channels of its own by its description file.</Notice>;
  const change = (patch: Partial<Texts>) => setTexts((before) => ({ ...before, ...patch }));
  return (
    <View className="gap-4">
      <ChannelFields
        texts={texts}
        channels={channels}
        unit={unit}
        problems={tried ? found.problems : {}}
        change={change}
        choose={(channel) =>
          setTexts(
            textsOf(
              stored.find((one) => String(one.channel) === channel),
              channel,
            ),
          )
        }
      />
      {found.problems.whole && <Notice>{found.problems.whole}</Notice>}
      {found.made && <Asked made={found.made} unit={unit} />}
      <Stands point={point} made={made} texts={texts} />
      <FormFoot
        view={point.view}
        saver={saver}
        label="Require it of the device"
        onStore={store}
        onDone={leave}
      />
    </View>
  );
}

function ChannelFields({
  texts,
  channels,
  unit,
  problems,
  change,
  choose,
}: {
  texts: Texts;
  channels: readonly DeviceChannel['channel'][];
  unit: string;
  problems: Readonly<Record<string, string>>;
  change: (patch: Partial<Texts>) => void;
  choose: (channel: Texts['channel']) => void;
}) {
  return (
    <Card title="Where the device switches">
      <Row first className="gap-4">
        <RadioGroup
          label="Channel"
          value={texts.channel}
          onChange={choose}
          options={channels.map((channel) => ({
            value: String(channel) as Texts['channel'],
            label: `Channel ${channel}`,
          }))}
        />
        <ModeFields texts={texts} unit={unit} problems={problems} change={change} />
        <LogicField value={texts.logic} onChange={(logic) => change({ logic })} />
      </Row>
    </Card>
  );
}

/** At which values it switches, in words. */
const switchesText = (mode: DeviceChannel['mode'], unit: string): string =>
  mode.kind === 'points'
    ? `on at ${written(mode.set, 5)} ${unit}, off again at ${written(mode.reset, 5)} ${unit}`
    : `on from ${written(mode.low, 5)} to ${written(mode.high, 5)} ${unit}, off ${written(mode.hysteresis, 3)} ${unit} beyond`;

function Asked({ made: { requires, becomes, problems }, unit }: { made: ChannelPlan; unit: string }) {
  return (
    <Card title="What its parameters must hold">
      <View role="status" aria-label="What its parameters must hold">
        {problems.map((problem, i) => (
          <Row key={i} first={i === 0}>
            <Notice>{textOf(problem)}</Notice>
          </Row>
        ))}
        {requires.map(({ key, label, value, unit: own, exact, raw, words }, i) => (
          <Row key={key} first={i === 0 && !problems.length} className="gap-0.5 py-2">
            <View className="flex-row flex-wrap items-baseline justify-between gap-x-3">
              <Text as="body">{textOf(label)}</Text>
              <Text as="number">{words === undefined ? `${value} ${own}`.trim() : textOf(words)}</Text>
            </View>
            {exact !== undefined && (
              <Text as="small">
                {Math.abs(exact - Number(value)) > 1e-9
                  ? `${written(exact, 6)} ${own}, rounded to the step of the device; raw ${raw}`
                  : `raw ${raw}`}
              </Text>
            )}
          </Row>
        ))}
        <Row>
          <Text as="strong">{`So it is ${switchesText(becomes, unit)}.`}</Text>
        </Row>
      </View>
    </Card>
  );
}

/** At which values it switches as somebody found it. */
function Stands({ point, made, texts }: { point: OpenPoint; made: Made; texts: Texts }) {
  const channel = Number(texts.channel) as DeviceChannel['channel'];
  const stands = standingChannel(point.analysis, made, { channel, logic: texts.logic });
  return (
    <Text as="small">
      {stands === undefined
        ? 'Nobody read yet how the device stands: read it under Set.'
        : stands === 'off'
          ? 'As it was last seen, this channel of the device is off.'
          : `As it was last seen, it is ${switchesText(stands, made.chain.sensor.unit)}.`}
    </Text>
  );
}
