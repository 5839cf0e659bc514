import { textOf } from '@keypost/core/messages';
import { signalLeads } from '@keypost/core/network';
import { loopView } from '@keypost/core/presentation';
import { hasTerminal, readMeter } from '@keypost/core/analysis';
import { refText } from '@keypost/core/job';
import { useMemo, useRef, useState } from 'react';
import { View } from 'react-native';
import { LoopDrawing } from '../drawing/LoopDrawing';
import type { Leads } from '../drawing/LoopDrawing';
import { saveDrawing } from '../drawing/saveDrawing';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { useTokens } from '../ui/theme';
import { Text } from '../ui/Text';
import { Meter } from './Meter';
import { StateToggle } from './StateToggle';

/** The loop in each of its states, with a meter whose leads go where one touches. */
export function Loop({ point: { analysis, verdict } }: { point: OpenPoint }) {
  const states = [...analysis.shown, ...analysis.staged];
  const [chosen, setChosen] = useState('away');
  const [width, setWidth] = useState(0);
  const { context } = analysis;
  const [put, setLeads] = useState<Leads>();
  const [next, setNext] = useState<keyof Leads>('red');
  const state = states.find(({ situation }) => situation.key === chosen) ?? analysis.away;
  // A terminal may be gone since somebody changed the device.
  const leads =
    put && [put.red, put.black].every((ref) => hasTerminal(state, ref)) ? put : firstLeads(analysis);
  const view = useMemo(() => loopView(context, state, verdict.reasons), [context, state, verdict]);
  const { red, black } = leads;
  const reading = useMemo(() => readMeter(state, red, black), [state, red, black]);
  const sheet = useRef<View>(null);
  const { plate } = useTokens();
  const touch = (ref: string) => {
    if (ref === leads.red || ref === leads.black) return;
    setLeads({ ...leads, [next]: ref });
    setNext(next === 'red' ? 'black' : 'red');
  };
  return (
    <View className="w-full max-w-[560px] gap-3 self-center">
      <View ref={sheet} onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}>
        {width > 0 && <LoopDrawing view={view} width={width} leads={leads} onTouch={touch} />}
      </View>
      <StateToggle states={states} chosen={state.situation.key} onChange={setChosen} />
      <Meter
        reading={reading}
        names={{ red: refText(context.index, leads.red), black: refText(context.index, leads.black) }}
        onSwap={() => setLeads({ red: leads.black, black: leads.red })}
      />
      <View className="flex-row items-center justify-between gap-3">
        <Text as="small" className="flex-1">
          {`Touch a terminal to move the ${next === 'red' ? '+' : '−'} lead.`}
        </Text>
        <Button
          label="Save the drawing"
          kind="bare"
          onPress={() =>
            saveDrawing(sheet.current, `${context.point.tag} ${textOf(state.situation.words)}`, plate)
          }
        />
      </View>
    </View>
  );
}

/** Red on the signal, black where a technician would put it. */
function firstLeads({ context, away }: OpenPoint['analysis']): Leads {
  const { red, black } = signalLeads(context, away.netlist.reference);
  return { red, black };
}
