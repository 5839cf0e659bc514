import { textOf } from '@keypost/core/messages';
import { inputVocabulary, relayedRuleFor, ruleFor, senseOf, signalLeads } from '@keypost/core/network';
import { landSteps, loopView, stampedSteps } from '@keypost/core/presentation';
import { readMeter } from '@keypost/core/analysis';
import { refText } from '@keypost/core/job';
import { useMemo, useRef, useState } from 'react';
import { View } from 'react-native';
import { LoopDrawing } from '../drawing/LoopDrawing';
import type { Leads } from '../drawing/LoopDrawing';
import { saveDrawing } from '../drawing/saveDrawing';
import { useSave } from '../data/useSave';
import { PointFrame, PointPage } from '../point/PointFrame';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { useTokens } from '../ui/theme';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';
import { LoopBudgetCard } from './LoopBudgetCard';
import { ArcChainCard } from './ArcChainCard';
import { ChannelCard } from './ChannelCard';
import { FiveStates } from './FiveStates';
import { NextStep, StampSteps } from '../point/StampSteps';
import { Meter } from './Meter';
import { MoreCard } from './MoreCard';
import { SensitivityCard } from './SensitivityCard';
import { StateToggle } from './StateToggle';
import { StopsCard } from './StopsCard';
import { VerdictText } from '../point/VerdictText';

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
          <VerdictText point={point} saver={saver} />
          <Loop point={point} />
        </>
      }
      aside={
        <>
          <StopsCard point={point} saver={saver} />
          <StampSteps point={point} steps={steps} title="Steps" label="Steps of landing" saver={saver} />
          <LoopBudgetCard analysis={analysis} />
          <ArcChainCard point={point} />
          <SensitivityCard point={point} saver={saver} />
          <MoreCard point={point} />
          {analysis.context.ports.length > 0 && <FiveStates analysis={analysis} />}
          <ChannelCard point={point} saver={saver} />
          <RuleCard point={point} />
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

function RuleCard({ point: { analysis } }: { point: OpenPoint }) {
  const { context } = analysis;
  const sense = senseOf(context);
  const relayed = relayedRuleFor(context);
  const words = context.place && sense && inputVocabulary(context.rail, sense);
  return (
    <Card title="The rule">
      <Row first>
        <Text as="body">{textOf(ruleFor(context))}</Text>
        {relayed && (
          <Text as="body" className="pt-2">
            {textOf(relayed)}
          </Text>
        )}
      </Row>
      {words && (
        <Row>
          <Text as="body">{`${textOf(words.byCurrent)}.`}</Text>
          <Text as="small" className="pt-1">{`Other words: ${textOf(words.bySensor)}.`}</Text>
        </Row>
      )}
    </Card>
  );
}
