import type { JobView } from '@keypost/api';
import {
  codeOfRound,
  HIDDEN_SORTS,
  LEVELS,
  progressBySort,
  roundOfCode,
  writeRounds,
} from '@keypost/core/fault';
import type { Level, RoundResult } from '@keypost/core/fault';
import type { FaultSort } from '@keypost/core/model';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { saveFile } from '../data/saveFile';
import { JobPage } from '../job/JobPage';
import { looksText, timeText } from '../fault/suspectText';
import { Beside } from '../ui/Beside';
import { Button } from '../ui/Button';
import { Card, Row } from '../ui/Card';
import { dateAndTime } from '../ui/dates';
import { Field } from '../ui/Field';
import { MoreRow } from '../ui/MoreRow';
import { RadioGroup } from '../ui/RadioGroup';
import { Select } from '../ui/Select';
import { StatusIcon } from '../ui/StatusIcon';
import { Text } from '../ui/Text';
import { SORT_TEXT } from '../job/faultSortText';
import { LEVEL_TEXT, useResults } from './results';
import { newRound, OLDER_ROUND, searchable, SHIPPED } from './rounds';

/** Practice: rounds with something hidden in a copy of the job, and how they went. */
export function PracticeScreen() {
  return (
    <JobPage pair title="Practice" back="/faults" what="practice">
      {(view) => <Practice view={view} />}
    </JobPage>
  );
}

function Practice({ view }: { view: JobView }) {
  const [results] = useResults();
  return (
    <Beside
      left={
        <>
          <Text as="soft">
            Something is hidden in a copy of a point. Nothing here touches the job. Every look costs time, and
            misuse of the meter ends the round.
          </Text>
          <NewRound view={view} />
          <CodeCard view={view} />
        </>
      }
      right={
        <>
          <Shipped view={view} results={results} />
          {results.length > 0 && <Progress results={results} />}
        </>
      }
    />
  );
}

const ANY = 'any';

function NewRound({ view }: { view: JobView }) {
  const router = useRouter();
  const [level, setLevel] = useState<Level>('easy');
  const [sort, setSort] = useState<string>(ANY);
  const [pointId, setPoint] = useState<string>(ANY);
  const points = searchable(view.content);
  const begin = () => {
    const code = newRound(view.content, {
      level,
      sort: sort === ANY ? undefined : (sort as FaultSort),
      pointId: pointId === ANY ? undefined : pointId,
    });
    router.push(`/job/${view.id}/practice/${code}`);
  };
  if (!points.length)
    return (
      <Card title="A new round">
        <Row first>
          <Text as="soft">This job has no point that switches a digital input yet.</Text>
        </Row>
      </Card>
    );
  return (
    <Card title="A new round">
      <Row first className="gap-3">
        <RadioGroup
          label="How hard"
          value={level}
          options={LEVELS.map((value) => ({ value, label: LEVEL_TEXT[value] }))}
          onChange={setLevel}
        />
        <Select
          label="Sort of fault"
          value={sort}
          options={[
            { value: ANY, label: 'Any' },
            ...HIDDEN_SORTS.map((value) => ({ value, label: SORT_TEXT[value] })),
          ]}
          onChange={setSort}
        />
        <Select
          label="Point"
          value={pointId}
          options={[
            { value: ANY, label: 'Any' },
            ...points.map(({ id, tag, name }) => ({ value: id, label: `${tag}  ${name}` })),
          ]}
          onChange={setPoint}
        />
        <Button label="Begin" kind="main" onPress={begin} />
      </Row>
    </Card>
  );
}

/** A round that somebody else began: the same for everybody with this job. */
function CodeCard({ view }: { view: JobView }) {
  const router = useRouter();
  const [code, setCode] = useState('');
  const [problem, setProblem] = useState<string>();
  const tags = view.content.points.map(({ tag }) => tag);
  const open = () => {
    const key = roundOfCode(code, tags);
    if (key === 'older') setProblem(OLDER_ROUND);
    else if (key) router.push(`/job/${view.id}/practice/${codeOfRound(key, tags)}`);
    else setProblem('No round of this job has this code: nine letters and digits, such as G00-A1B-2C3.');
  };
  return (
    <Card title="A round by its code">
      <Row first className="gap-3">
        <Field
          label="Code"
          value={code}
          onChange={setCode}
          problem={problem}
          mono
          autoCapitalize="characters"
          maxLength={15}
          onSubmitEditing={open}
        />
        <Button label="Open it" onPress={open} />
      </Row>
    </Card>
  );
}

/** Rounds that come with the job, from easy to mean. */
function Shipped({ view, results }: { view: JobView; results: readonly RoundResult[] }) {
  const tags = view.content.points.map(({ tag }) => tag);
  const rounds = SHIPPED.flatMap(({ tag, ...key }) => {
    const point = tags.indexOf(tag);
    return point < 0 ? [] : [{ tag, level: key.level, code: codeOfRound({ ...key, point }, tags) }];
  });
  if (!rounds.length) return null;
  return (
    <Card title="From easy to mean">
      {rounds.map(({ tag, level, code }, i) => {
        const done = results.findLast((row) => row.code === code);
        return (
          <MoreRow
            key={code}
            first={i === 0}
            to={`/job/${view.id}/practice/${code}`}
            label={`${LEVEL_TEXT[level]}: ${tag}`}
            hint={`${code}${done ? ` · ${done.found ? 'found' : 'not found'} in ${timeText(done.seconds)}` : ''}`}
          />
        );
      })}
    </Card>
  );
}

/** How rounds went, and which sorts are found seldom. */
function Progress({ results }: { results: readonly RoundResult[] }) {
  return (
    <Card title="How it went" aside={<Text as="mono">{String(results.length)}</Text>}>
      {progressBySort(results).map(({ sort, found, of }, i) => (
        <Row key={sort} first={i === 0} className="flex-row justify-between gap-3">
          <Text as="body" className="min-w-0 flex-1">
            {SORT_TEXT[sort as FaultSort] ?? sort}
          </Text>
          <Text as="mono">{`${found} of ${of}`}</Text>
        </Row>
      ))}
      {results
        .slice(-5)
        .reverse()
        .map(({ code, tag, found, looks, seconds, at, by, over }) => (
          <Row key={`${code} ${at}`} className="flex-row gap-3">
            <StatusIcon kind={found ? 'proven' : 'failed'} size={22} />
            <View className="min-w-0 flex-1">
              <Text as="strong">{`${tag} ${found ? 'found' : over ? 'ended early' : 'not found'}`}</Text>
              <Text as="small">{`${looksText(looks)}, ${timeText(seconds)} · ${code}`}</Text>
              <Text as="small">{`${dateAndTime(at)}${by ? ` · ${by}` : ''}`}</Text>
            </View>
          </Row>
        ))}
      <Row>
        <Button
          label="All rounds as CSV"
          onPress={() => saveFile('practice.csv', 'text/csv', writeRounds(results))}
        />
      </Row>
    </Card>
  );
}
