import { groupsOf, hasDictionary, hereAfter, nextLooks, suspects, unexplained } from '@keypost/core/fault';
import type { Dictionary, Seen } from '@keypost/core/fault';
import { faultExperience, openCase } from '@keypost/core/job';
import { useEffect, useMemo, useState } from 'react';
import { View } from 'react-native';
import { z } from 'zod';
import { useDraftState } from '../data/drafts';
import { PointSubPage } from '../point/PointSubPage';
import type { OpenPoint } from '../point/usePoint';
import { Beside } from '../ui/Beside';
import { Button } from '../ui/Button';
import { ButtonLink } from '../ui/ButtonLink';
import { Busy } from '../ui/Busy';
import { Notice } from '../ui/Notice';
import { Text } from '../ui/Text';
import { useTokens } from '../ui/theme';
import { useTask } from '../workers/useTask';
import { BesideCard } from './BesideCard';
import { CaseCard, OpenFault } from './CaseCard';
import { FaultHistory } from './FaultHistory';
import { guardsPeople } from './guardsPeople';
import { LookCard } from './LookCard';
import { PairsCard } from './PairsCard';
import { SeenCard } from './SeenCard';
import { SuspectsCard } from './SuspectsCard';
import { SymptomsCard } from './SymptomsCard';

/** Before anybody looks for what is wrong with what guards people. */
const GUARDED =
  'This guards people. Until all of it is proven again, take it that it stops nothing. Only who is competent searches and mends it: isolate before anybody reaches in, clear the machine before each reset, never bridge it, not even to measure.';

/** Said before anything else of a point that guards people. */
export const GuardNotice = ({ point }: { point: OpenPoint }) =>
  guardsPeople(point) ? <Notice>{GUARDED}</Notice> : null;

/** It does not work: one look after the other, and what it can still be. */
export function FaultScreen() {
  return (
    <PointSubPage title="It does not work" pair>
      {(point) => (
        <View className="gap-4">
          <OpenFault point={point} />
          <GuardNotice point={point} />
          {hasDictionary(point.analysis) ? (
            <Searched point={point} />
          ) : (
            <>
              <Text as="soft">
                What it can be is worked out once the point is on a channel and, for a value, once its range
                is set in Scale. Until then a fault can be reported here, and what it was can be kept.
              </Text>
              <CaseCard point={point} kept={[]} found={[]} />
            </>
          )}
          <ButtonLink label="It also happens at other points" to={`/job/${point.view.id}/faults`} />
          <BesideCard point={point} />
          <FaultHistory point={point} />
        </View>
      )}
    </PointSubPage>
  );
}

/** Everything that can be wrong is solved first, away from the page. */
export function Searched({ point }: { point: OpenPoint }) {
  const { ink } = useTokens();
  const { start, answer, error } = useTask('faults');
  const { content } = point.view;
  const { id } = point.analysis.context.point;
  useEffect(() => start({ job: content, pointId: id }), [start, content, id]);
  if (error) return <Notice>{error.message}</Notice>;
  if (!answer)
    return (
      <View className="flex-row items-center gap-3">
        <Busy color={ink} size="small" label="Working out" />
        <Text as="soft">Everything that can be wrong is solved …</Text>
      </View>
    );
  return <Search key={draftOf(point)} point={point} dictionary={answer} />;
}

/** What is seen of an open fault is kept on this device until it is handed over; then it goes on from there. */
function draftOf(point: OpenPoint): string {
  const { id } = point.analysis.context.point;
  const open = openCase(point.view.content, id);
  const since = open ? `.${open.id}.${open.handed?.at ?? ''}` : '';
  return `${point.view.id}.${id}.fault${since}`;
}

/** What was seen, by the id of its look: it holds as long as the job has that look. */
const Kept = z.array(z.object({ id: z.string(), is: z.union([z.boolean(), z.number()]) }));

/** What was seen, what it can still be, and what to look at next. */
function useSearch(point: OpenPoint, dictionary: Dictionary) {
  const { content } = point.view;
  const open = openCase(content, point.analysis.context.point.id);
  const [kept, setKept] = useDraftState(draftOf(point), Kept, open?.seen ?? []);
  const [skipped, setSkipped] = useState<readonly number[]>([]);
  const [chosen, setChosen] = useState<number>();
  const [sometimes, setSometimes] = useDraftState(`${draftOf(point)}.sometimes`, z.boolean(), false);
  const [isDead, setDead] = useState(false);
  const groups = useMemo(() => groupsOf(dictionary), [dictionary]);
  const seen = useMemo(
    () =>
      kept.flatMap(({ id, is }): Seen[] => {
        const look = dictionary.looks.findIndex((one) => one.id === id);
        return look < 0 ? [] : [{ look, is }];
      }),
    [kept, dictionary],
  );
  const known = useMemo(() => faultExperience(content), [content]);
  const found = useMemo(() => suspects(groups, seen, known, sometimes), [groups, seen, known, sometimes]);
  const stands = useMemo(() => hereAfter(dictionary, seen), [dictionary, seen]);
  const proposals = useMemo(
    () => nextLooks(dictionary, found, seen, stands).filter(({ look }) => !skipped.includes(look)),
    [dictionary, found, seen, stands, skipped],
  );
  const [first] = proposals;
  const best = proposals.find(({ look }) => look === chosen) ?? alone(chosen, seen) ?? first;
  const spotOf = (one = first) => one && dictionary.looks[one.look]?.spot;
  const isElsewhere = stands.spot !== undefined && spotOf(best) !== stands.spot;
  const here = isElsewhere ? proposals.find((one) => spotOf(one) === stands.spot) : undefined;
  const put = (look: number, is: Seen['is']) => {
    const id = dictionary.looks[look]?.id;
    if (id !== undefined) setKept((before) => [...before.filter((one) => one.id !== id), { id, is }]);
  };
  const drop = (look: number) =>
    setKept((before) => before.filter(({ id }) => id !== dictionary.looks[look]?.id));
  const anew = () => {
    setKept([]);
    setSkipped([]);
    setSometimes(false);
  };
  return {
    kept,
    seen,
    found,
    best,
    here,
    proposals,
    chosen,
    choose: setChosen,
    sometimes,
    setSometimes,
    isDead,
    setDead,
    put,
    drop,
    skip: (look: number) => setSkipped((before) => [...before, look]),
    anew,
    begun: seen.length > 0 || skipped.length > 0 || sometimes,
  };
}

/** A look that tells nothing of one fault, chosen because it tells two from each other. */
const alone = (look: number | undefined, seen: readonly Seen[]) =>
  look === undefined || seen.some((one) => one.look === look) ? undefined : { look, bits: 0, seconds: 0 };

function Search({ point, dictionary }: { point: OpenPoint; dictionary: Dictionary }) {
  const search = useSearch(point, dictionary);
  const { kept, seen, found, best, here, proposals, chosen, choose, isDead, setDead, put, drop, skip, anew } =
    search;
  const odd = unexplained(found, seen);
  return (
    <View className="gap-4">
      <Beside
        left={
          <>
            <LookCard
              key={best?.look ?? 'none'}
              point={point}
              dictionary={dictionary}
              found={found}
              best={best}
              here={here}
              proposals={proposals}
              onChoose={choose}
              isChosen={best !== undefined && best.look === chosen}
              hasSeen={seen.length > 0}
              isDead={isDead}
              onDead={setDead}
              onSee={put}
              onSkip={skip}
            />
            <SymptomsCard
              point={point}
              dictionary={dictionary}
              seen={seen}
              sometimes={search.sometimes}
              onSometimes={search.setSometimes}
              onSee={put}
              onDrop={drop}
            />
            <SeenCard point={point} dictionary={dictionary} seen={seen} odd={odd} onDrop={drop} />
          </>
        }
        right={
          <>
            <SuspectsCard point={point} dictionary={dictionary} found={found} seen={seen} onChoose={choose} />
            {odd.length > 0 && (
              <PairsCard point={point} dictionary={dictionary} seen={seen} onChoose={choose} />
            )}
          </>
        }
      />
      <CaseCard point={point} kept={kept} found={found} />
      {search.begun && <Button label="Begin anew" onPress={anew} />}
    </View>
  );
}
