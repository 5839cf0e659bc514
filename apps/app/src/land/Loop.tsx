import { useOwnWidth } from '../ui/useOwnWidth';
import { textOf } from '@keypost/core/messages';
import { signalLeads } from '@keypost/core/network';
import { loopView } from '@keypost/core/presentation';
import { hasTerminal, readMeter } from '@keypost/core/analysis';
import type { PointState } from '@keypost/core/analysis';
import { refText } from '@keypost/core/job';
import { useMemo, useRef, useState } from 'react';
import type { RefObject } from 'react';
import { ScrollView, View } from 'react-native';
import { foldable, folded } from '../drawing/foldView';
import type { Shows } from '../drawing/sheet';
import { LoopDrawing } from '../drawing/LoopDrawing';
import type { Leads } from '../drawing/LoopDrawing';
import { saveDrawing } from '../drawing/saveDrawing';
import { useZoom } from '../drawing/useZoom';
import type { OpenPoint } from '../point/usePoint';
import { Cable, Download, FoldVertical, Gauge, ZoomIn, ZoomOut } from '../ui/laterIcons';
import { useTokens } from '../ui/theme';
import { Text } from '../ui/Text';
import { ToolTile } from '../ui/ToolTile';
import { Meter } from './Meter';
import { StateToggle } from './StateToggle';
import { TouchedWire } from './TouchedWire';

/** The loop in each of its states: with a meter whose leads go where one touches, or a wire between two touches. */
export function Loop({ point }: { point: OpenPoint }) {
  const { analysis } = point;
  const states = [...analysis.shown, ...analysis.staged];
  const [chosen, setChosen] = useState('away');
  const [shows, setShows] = useState<Shows>('names');
  const [isFolded, setFolded] = useState(false);
  const { leads, next, touch, swap } = useLeads(point);
  const [ends, setEnds] = useState<readonly string[]>();
  const state = states.find(({ situation }) => situation.key === chosen) ?? analysis.away;
  const whole = useMemo(
    () => loopView(analysis.context, state, point.verdict.reasons),
    [analysis, state, point.verdict],
  );
  const quiet = useMemo(() => foldable(whole), [whole]);
  const view = useMemo(() => folded(whole, isFolded ? quiet : []), [whole, isFolded, quiet]);
  const zoom = useZoom();
  const sheet = useRef<View>(null);
  return (
    <View className="w-full max-w-[560px] gap-3 self-center">
      <Sheet
        drawing={
          ends
            ? { view, shows, leads: leadsAt(ends), onTouch: (ref) => setEnds(touched(ends, ref)) }
            : { view, shows, leads, onTouch: touch }
        }
        zoom={zoom}
        sheet={sheet}
      />
      <StateToggle states={states} chosen={state.situation.key} onChange={setChosen} />
      <View className="flex-row gap-2" role="toolbar" aria-label="Drawing">
        <ToolTile
          icon={Cable}
          word="Wire"
          label="Add or change a wire by touching its two ends"
          on={ends !== undefined}
          onPress={() => setEnds(ends ? undefined : [])}
        />
        <VoltsTile shows={shows} onChange={setShows} />
        {quiet.length > 0 && (
          <ToolTile
            icon={FoldVertical}
            word="Fold"
            label="Fold the parts that carry no current"
            on={isFolded}
            onPress={() => setFolded(!isFolded)}
          />
        )}
        <ZoomTiles zoom={zoom} />
        <SaveTile point={point} state={state} sheet={sheet} />
      </View>
      {ends ? (
        <TouchedWire key={ends.join(' ')} view={point.view} ends={ends} onDone={() => setEnds(undefined)} />
      ) : (
        <Measured point={point} state={state} leads={leads} next={next} onSwap={swap} />
      )}
    </View>
  );
}

/** The ends of a wire as far as they were touched; a third touch begins another. */
const touched = (ends: readonly string[], ref: string): readonly string[] =>
  ends.length === 1 && ends[0] !== ref ? [...ends, ref] : [ref];

const leadsAt = ([red = '', black = '']: readonly string[]): Leads => ({ red, black });

/** Where the two leads are, and which of them goes where somebody touches next. */
function useLeads({ analysis }: OpenPoint) {
  const [put, setLeads] = useState<Leads>();
  const [next, setNext] = useState<keyof Leads>('red');
  // A terminal may be gone since somebody changed the device.
  const leads =
    put && [put.red, put.black].every((ref) => hasTerminal(analysis.away, ref)) ? put : firstLeads(analysis);
  return {
    leads,
    next,
    touch: (ref: string): void => {
      if (ref === leads.red || ref === leads.black) return;
      setLeads({ ...leads, [next]: ref });
      setNext(next === 'red' ? 'black' : 'red');
    },
    swap: (): void => setLeads({ red: leads.black, black: leads.red }),
  };
}

/** The drawing as wide as there is room, or larger, and then to be moved about. */
function Sheet({
  drawing,
  zoom: { zoom, hands },
  sheet,
}: {
  drawing: Omit<Parameters<typeof LoopDrawing>[0], 'width'>;
  zoom: ReturnType<typeof useZoom>;
  sheet: RefObject<View | null>;
}) {
  const { width, box } = useOwnWidth(sheet);
  return (
    <View {...box} {...(hands as object)}>
      <ScrollView horizontal scrollEnabled={zoom > 1} showsHorizontalScrollIndicator={zoom > 1}>
        {width > 0 && <LoopDrawing {...drawing} width={width * zoom} />}
      </ScrollView>
    </View>
  );
}

function Measured({
  point: { analysis },
  state,
  leads: { red, black },
  next,
  onSwap,
}: {
  point: OpenPoint;
  state: PointState;
  leads: Leads;
  next: keyof Leads;
  onSwap: () => void;
}) {
  const { index } = analysis.context;
  const reading = useMemo(() => readMeter(state, red, black), [state, red, black]);
  return (
    <>
      <Meter
        reading={reading}
        names={{ red: refText(index, red), black: refText(index, black) }}
        onSwap={onSwap}
      />
      <Text as="small">{`Touch a terminal to move the ${next === 'red' ? '+' : '−'} lead.`}</Text>
    </>
  );
}

const VoltsTile = ({ shows, onChange }: { shows: Shows; onChange: (shows: Shows) => void }) => (
  <ToolTile
    icon={Gauge}
    word="Volts"
    label="Show the volts of every terminal"
    on={shows === 'volts'}
    onPress={() => onChange(shows === 'volts' ? 'names' : 'volts')}
  />
);

const ZoomTiles = ({ zoom: { larger, smaller } }: { zoom: ReturnType<typeof useZoom> }) => (
  <>
    <ToolTile icon={ZoomIn} word="Larger" label="Draw it larger" onPress={larger} />
    <ToolTile icon={ZoomOut} word="Smaller" label="Draw it smaller" onPress={smaller} />
  </>
);

function SaveTile({
  point,
  state,
  sheet,
}: {
  point: OpenPoint;
  state: PointState;
  sheet: RefObject<View | null>;
}) {
  const { plate } = useTokens();
  const title = `${point.analysis.context.point.tag} ${textOf(state.situation.words)}`;
  return (
    <ToolTile
      icon={Download}
      word="Save"
      label="Save the drawing"
      onPress={() => saveDrawing(sheet.current, title, plate)}
    />
  );
}

/** Red on the signal, black where a technician would put it. */
function firstLeads({ context, away }: OpenPoint['analysis']): Leads {
  const { red, black } = signalLeads(context, away.netlist.reference);
  return { red, black };
}
