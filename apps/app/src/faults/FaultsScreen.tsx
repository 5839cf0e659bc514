import type { JobView } from '@keypost/api';
import { faultCases } from '@keypost/core/job';
import type { FaultCase } from '@keypost/core/job';
import { JobPage } from '../job/JobPage';
import { View } from 'react-native';
import { MendedRow } from '../fault/FaultHistory';
import { looksText } from '../fault/suspectText';
import { Beside } from '../ui/Beside';
import { ButtonLink } from '../ui/ButtonLink';
import { Card, Row } from '../ui/Card';
import { dateAndTime } from '../ui/dates';
import { MoreRow } from '../ui/MoreRow';
import { Text } from '../ui/Text';
import { SeveralCard } from './SeveralCard';

/** It does not work: faults that are open, what points that fail together hang on, and what was mended. */
export function FaultsScreen() {
  return (
    <JobPage pair title="It does not work" what="the faults">
      {(view) => <Faults view={view} />}
    </JobPage>
  );
}

function Faults({ view }: { view: JobView }) {
  const cases = faultCases(view.content);
  const open = cases.filter(({ mended }) => !mended);
  const mended = cases
    .filter((one) => one.mended)
    .sort((a, b) => (b.mended?.at ?? '').localeCompare(a.mended?.at ?? ''));
  return (
    <Beside
      left={
        <>
          <OpenCard view={view} cases={open} />
          <SeveralCard view={view} open={open} />
        </>
      }
      right={
        <>
          <MendedCard view={view} cases={mended} />
          <ButtonLink label="Practice finding faults" to={`/job/${view.id}/practice`} />
        </>
      }
    />
  );
}

function OpenCard({ view, cases }: { view: JobView; cases: readonly FaultCase[] }) {
  const pointOf = (id: string) => view.content.points.find((point) => point.id === id);
  return (
    <Card title="Open faults" aside={<Text as="mono">{String(cases.length)}</Text>}>
      {cases.length === 0 && (
        <Row first>
          <Text as="soft">None. At a point, “It does not work” looks for what it is and reports it.</Text>
        </Row>
      )}
      {cases.map(({ id, pointId, symptom, opened, seen }, i) => (
        <MoreRow
          key={id}
          first={i === 0}
          to={`/job/${view.id}/point/${pointId}/fault`}
          label={`${pointOf(pointId)?.tag ?? ''}  ${symptom}`}
          hint={`since ${dateAndTime(opened.at)} · ${opened.by} · ${looksText(seen.length)}`}
        />
      ))}
    </Card>
  );
}

function MendedCard({ view, cases }: { view: JobView; cases: readonly FaultCase[] }) {
  const tags = new Map(view.content.points.map(({ id, tag }) => [id, tag]));
  return (
    <Card title="Mended" aside={<Text as="mono">{String(cases.length)}</Text>}>
      {cases.length === 0 && (
        <Row first>
          <Text as="soft">Nothing was mended in this job so far.</Text>
        </Row>
      )}
      <View role="list" aria-label="Mended">
        {cases.map((one, i) => (
          <Row key={one.id} first={i === 0}>
            <View role="listitem">
              <MendedRow one={one} tag={tags.get(one.pointId) ?? ''} />
            </View>
          </Row>
        ))}
      </View>
    </Card>
  );
}
