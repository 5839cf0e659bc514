import { textOf } from '@keypost/core/messages';
import { inputVocabulary, ruleFor, senseOf, signalLeads } from '@keypost/core/network';
import { landSteps, loopView, stampedSteps } from '@keypost/core/presentation';
import { readMeter } from '@keypost/core/analysis';
import { refWords } from '@keypost/core/job';
import { useMemo, useRef, useState } from 'react';
import { View } from 'react-native';
import { LoopDrawing } from '../drawing/LoopDrawing';
import type { Leads } from '../drawing/LoopDrawing';
import { saveDrawing } from '../drawing/saveDrawing';
import { useSave } from '../data/useSave';
import { PointFrame, PointPage } from '../point/PointFrame';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { useTokens } from '../ui/look';
import { Plate, Row } from '../ui/Plate';
import { Words } from '../ui/Words';
import { BudgetPlate } from './BudgetPlate';
import { ChainPlate } from './ChainPlate';
import { ChannelPlate } from './ChannelPlate';
import { FiveStates } from './FiveStates';
import { NextStep, StampSteps } from '../point/StampSteps';
import { Meter } from './Meter';
import { MorePlate } from './MorePlate';
import { SensitivityPlate } from './SensitivityPlate';
import { StateToggle } from './StateToggle';
import { VerdictWords } from './VerdictWords';

export function LandScreen() {
  return <LandPoint />;
}

/** Land: the loop with its verdict, the meter, and the steps that bring it to the terminals. */
export function LandPoint({ pointId }: { pointId?: string }) {
  return <PointFrame pointId={pointId}>{(point) => <Land point={point} />}</PointFrame>;
}

function Land({ point }: { point: OpenPoint }) {
  const saver = useSave(point.view);
  const { analysis, view } = point;
  const steps = useMemo(
    () => stampedSteps(view.content, analysis.context.point.id, landSteps(analysis)),
    [view, analysis],
  );
  return (
    <PointPage
      point={point}
      page="land"
      main={
        <>
          <VerdictWords point={point} saver={saver} />
          <Loop point={point} />
        </>
      }
      aside={
        <>
          <StampSteps point={point} steps={steps} title="Steps" label="Steps of landing" saver={saver} />
          <BudgetPlate analysis={analysis} />
          <ChainPlate point={point} />
          <SensitivityPlate point={point} saver={saver} />
          <MorePlate point={point} />
          {analysis.context.ports.length > 0 && <FiveStates analysis={analysis} />}
          <ChannelPlate point={point} saver={saver} />
          <RulePlate point={point} />
        </>
      }
      dock={<NextStep point={point} steps={steps} saver={saver} />}
    />
  );
}

function Loop({ point: { analysis, verdict } }: { point: OpenPoint }) {
  const states = [...analysis.shown, ...analysis.staged];
  const [chosen, setChosen] = useState('away');
  const [width, setWidth] = useState(0);
  const { context } = analysis;
  const [leads, setLeads] = useState<Leads>(() => firstLeads(analysis));
  const [next, setNext] = useState<keyof Leads>('red');
  const state = states.find(({ situation }) => situation.key === chosen) ?? analysis.away;
  const view = useMemo(() => loopView(context, state, verdict.reasons), [context, state, verdict]);
  const reading = useMemo(() => readMeter(state, leads.red, leads.black), [state, leads]);
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
        names={{ red: refWords(context.index, leads.red), black: refWords(context.index, leads.black) }}
        onSwap={() => setLeads({ red: leads.black, black: leads.red })}
      />
      <View className="flex-row items-center justify-between gap-3">
        <Words as="small" className="flex-1">
          {`Touch a terminal to move the ${next === 'red' ? '+' : '−'} lead.`}
        </Words>
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

function RulePlate({ point: { analysis } }: { point: OpenPoint }) {
  const { context } = analysis;
  const words = context.place && inputVocabulary(context.rail, senseOf(context)!);
  return (
    <Plate title="The rule">
      <Row first>
        <Words as="body">{textOf(ruleFor(context))}</Words>
      </Row>
      {words && (
        <Row>
          <Words as="body">{`${textOf(words.byCurrent)}.`}</Words>
          <Words as="small" className="pt-1">{`Other words: ${textOf(words.bySensor)}.`}</Words>
        </Row>
      )}
    </Plate>
  );
}
