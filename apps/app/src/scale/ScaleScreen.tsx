import { textOf } from '@keypost/core/messages';
import {
  bandText,
  disagreementOf,
  givenSignal,
  reactionText,
  scaleStep,
  scalingText,
} from '@keypost/core/scaling';
import { calibrationsOf } from '@keypost/core/sensing';
import { written } from '@keypost/core/units';
import { useMemo } from 'react';
import { View } from 'react-native';
import { useSave } from '../data/useSave';
import { PointFrame, PointPage } from '../point/PointFrame';
import { NextStep } from '../point/StampSteps';
import type { OpenPoint } from '../point/usePoint';
import { GoTo } from '../ui/GoTo';
import { MoreRow } from '../ui/MoreRow';
import { Notice } from '../ui/Notice';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';
import { ArrivesCard } from './ArrivesCard';
import { ErrorBudgetCard } from './ErrorBudgetCard';
import { GivenScreen } from './GivenScreen';
import { ChainChart } from './ChainChart';
import { SignalChainCard } from './SignalChainCard';
import { InController } from './InController';
import { useChain } from '../chain/useChain';
import type { ChainMoment } from '../chain/useChain';
import { dayAndTime } from '../ui/dates';

/** Scale: the chain from the value to the screen, and everything that belongs to it. */
export function ScaleScreen() {
  return <PointFrame>{(point) => <Scale point={point} />}</PointFrame>;
}

function Scale({ point }: { point: OpenPoint }) {
  const moment = useChain(point);
  const given = useMemo(() => givenSignal(point.analysis), [point.analysis]);
  if (given && !('problem' in given)) return <GivenScreen point={point} given={given} />;
  if (typeof moment === 'string')
    return (
      <PointPage
        point={point}
        page="scale"
        main={
          <Notice
            actions={
              <GoTo
                label="Edit the point"
                to={`${point.base}/edit`}
                className="min-h-[48px] justify-center rounded-plate border-fine border-ink bg-ink px-4 active:opacity-70"
              >
                <Text as="strong" className="text-plate">
                  Edit the point
                </Text>
              </GoTo>
            }
          >
            {given ? textOf(given.problem) : moment}
          </Notice>
        }
      />
    );
  return <Chained point={point} moment={moment} />;
}

function Chained({ point, moment }: { point: OpenPoint; moment: ChainMoment }) {
  const saver = useSave(point.view);
  const { made } = moment;
  const steps = [scaleStep(point.analysis, made)];
  const off = disagreementOf(point.analysis, made);
  return (
    <PointPage
      point={point}
      page="scale"
      main={
        <>
          {off && <Notice>{`${textOf(off.sentence)}.`}</Notice>}
          {made.swallowed.map((message, i) => (
            <Notice key={i}>{textOf(message)}</Notice>
          ))}
          <ChainChart point={point} moment={moment} />
          <SignalChainCard point={point} moment={moment} />
          <ArrivesCard point={point} moment={moment} />
          <InController point={point} steps={steps} saver={saver} />
        </>
      }
      aside={
        <>
          <MoreCard point={point} moment={moment} />
          <ErrorBudgetCard point={point} moment={moment} />
          <NotesCard point={point} moment={moment} />
        </>
      }
      dock={<NextStep point={point} steps={steps} saver={saver} />}
    />
  );
}

function MoreCard({
  point: { base, analysis, type },
  moment: { made },
}: {
  point: OpenPoint;
  moment: ChainMoment;
}) {
  const { tables, chain, data } = made;
  const rows = calibrationsOf(analysis.context.index.job, analysis.context.point.id);
  const runs = rows.filter(({ body }) => body.kind === 'transmitter').length;
  const isFlow = type.handling?.parameters.some(({ key }) => key === 'cutoff') ?? false;
  return (
    <Card title="More">
      <MoreRow
        first
        to={`${base}/scale/setup`}
        label="Setup of the chain"
        hint={
          data
            ? 'which value, its line, what it stands for, bands, panel screen'
            : 'shapes, converter, bands, panel screen'
        }
      />
      <MoreRow
        first={false}
        to={`${base}/scale/code`}
        label="Code for the controller"
        hint="Structured Text, PLCopen XML, and what integers do to it"
      />
      <MoreRow
        first={false}
        to={`${base}/switch`}
        label="Switch"
        hint="alarms at this value, thresholds, teach"
      />
      <ComparedRows base={base} isData={data !== undefined} inForce={tables.inForce} runs={runs} />
      <MoreRow
        first={false}
        to={`${base}/scale/displays`}
        label="Two displays"
        hint={`make ${chain.display.label} agree with the sensor`}
      />
      {isFlow && (
        <MoreRow first={false} to={`${base}/scale/flow`} label="Flow" hint="velocity, pulses, cut-off" />
      )}
    </Card>
  );
}

/** What is compared with a reference: raw numbers with a tape, or tables and the transmitter with a source. */
function ComparedRows({
  base,
  isData,
  inForce,
  runs,
}: {
  base: OpenPoint['base'];
  isData: boolean;
  inForce: ChainMoment['made']['tables']['inForce'];
  runs: number;
}) {
  return isData ? (
    <MoreRow
      first={false}
      to={`${base}/scale/line`}
      label="Readings beside a tape"
      hint="whether raw numbers lie on the stated line"
    />
  ) : (
    <>
      <MoreRow
        first={false}
        to={`${base}/scale/tables`}
        label="Calibration tables"
        hint={inForce === 'none' ? 'workshop and field; none in force' : `the ${inForce} table is in force`}
      />
      <MoreRow
        first={false}
        to={`${base}/scale/calibrate`}
        label="Transmitter calibration"
        hint={runs ? `${runs} stored, as found and as left` : 'as found, correction, as left'}
      />
    </>
  );
}

/** What is taken for granted, what the controller does outside the range, and what was sent here from the tools. */
function NotesCard({ point, moment: { made } }: { point: OpenPoint; moment: ChainMoment }) {
  const { context } = point.analysis;
  const sent = calibrationsOf(context.index.job, context.point.id).filter(({ body }) => body.kind === 'note');
  const { bands, input } = made.chain;
  return (
    <Card title="How it is taken">
      <Row first className="gap-2">
        <Text as="body">{`${textOf(scalingText(made))}.`}</Text>
        <Text as="small">
          {`At or below ${written(bands.lowFault, 4)} ${input.unit} it is ${textOf(bandText('lowFault', input))}, at or above ${written(bands.highFault, 4)} ${input.unit} ${textOf(bandText('highFault', input))}: ${textOf(reactionText(bands))}.`}
        </Text>
        {made.notes.map((note) => (
          <Text as="small" key={textOf(note)}>
            {textOf(note)}
          </Text>
        ))}
      </Row>
      {sent.map(
        ({ id, body, by, at }) =>
          body.kind === 'note' && (
            <Row key={id}>
              <View className="gap-0.5">
                <Text as="strong">{body.title}</Text>
                <Text as="small">{`${dayAndTime(at)} · ${by}`}</Text>
              </View>
            </Row>
          ),
      )}
    </Card>
  );
}
