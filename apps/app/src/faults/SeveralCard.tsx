import type { JobView } from '@keypost/api';
import { sharedSuspects } from '@keypost/core/fault';
import type { Does, SharedSuspect } from '@keypost/core/fault';
import type { FaultCase } from '@keypost/core/job';
import { textOf } from '@keypost/core/messages';
import { useEffect, useMemo } from 'react';
import { View } from 'react-native';
import { z } from 'zod';
import { useDraftState } from '../data/drafts';
import { ShareRow } from '../fault/ShareRow';
import { Button } from '../ui/Button';
import { Card, Row } from '../ui/Card';
import { RadioGroup } from '../ui/RadioGroup';
import { Select } from '../ui/Select';
import { Text } from '../ui/Text';
import { useTask } from '../workers/useTask';

const Kept = z.record(z.string(), z.enum(['fails', 'works', 'unknown']));

/** So many suspects stand in sight. */
const SHOWN = 4;

/** How points do, as far as somebody said so; those with an open fault fail. */
function useSeveral(view: JobView, open: readonly FaultCase[]) {
  const { start, answer: parts } = useTask('shared');
  const { content } = view;
  useEffect(() => start({ job: content }), [start, content]);
  const [kept, setKept] = useDraftState<z.infer<typeof Kept>>(`${view.id}.several`, Kept, {});
  const does = useMemo(() => {
    const known = new Map<string, Does>(open.map(({ pointId }) => [pointId, 'fails']));
    for (const [id, how] of Object.entries(kept))
      if (how === 'unknown') known.delete(id);
      else if (content.points.some((point) => point.id === id)) known.set(id, how);
    return known;
  }, [open, kept, content]);
  const finding = useMemo(() => parts && sharedSuspects(parts, does), [parts, does]);
  const say = (id: string, how: Does | 'unknown') => setKept((before) => ({ ...before, [id]: how }));
  const tagOf = (id: string) => content.points.find((point) => point.id === id)?.tag ?? '';
  return { does, finding, say, tagOf };
}

/** Points that fail together: what they hang on comes before anything of one point. */
export function SeveralCard({ view, open }: { view: JobView; open: readonly FaultCase[] }) {
  const { does, finding, say, tagOf } = useSeveral(view, open);
  const others = view.content.points.filter(({ id }) => !does.has(id));
  const fails = [...does.values()].filter((how) => how === 'fails').length;
  return (
    <Card title="Several at once">
      <Row first className="gap-3">
        <Text as="small">
          Points that fail together mostly hang on one thing. Say how each does; what speaks for one thing is
          weighed.
        </Text>
        {[...does].map(([id, how]) => (
          <RadioGroup
            key={id}
            label={tagOf(id)}
            value={how}
            options={HOW}
            onChange={(next: Does | 'unknown') => say(id, next)}
          />
        ))}
        <Select
          label="One more point that fails"
          value=""
          options={[
            { value: '', label: 'Choose a point' },
            ...others.map(({ id, tag, name }) => ({ value: id, label: `${tag}  ${name}` })),
          ]}
          onChange={(id) => id && say(id, 'fails')}
        />
      </Row>
      {finding && fails > 1 && <Finding finding={finding} does={does} say={say} tagOf={tagOf} />}
    </Card>
  );
}

const HOW: { value: Does | 'unknown'; label: string }[] = [
  { value: 'fails', label: 'Fails' },
  { value: 'works', label: 'Works' },
  { value: 'unknown', label: 'Not looked' },
];

/** What they share, the likeliest first, and which point tells most next. */
function Finding({
  finding: { suspects, apart, next },
  does,
  say,
  tagOf,
}: Pick<ReturnType<typeof useSeveral>, 'does' | 'say' | 'tagOf'> & {
  finding: ReturnType<typeof sharedSuspects>;
}) {
  const shown = suspects.filter(({ share }) => share > 0.01).slice(0, SHOWN);
  return (
    <>
      <View role="list" aria-label="What they share">
        {shown.map((suspect) => (
          <Row key={suspect.id}>
            <ShareRow share={suspect.share} text={textOf(suspect.what)}>
              <Text as="small">{hangsText(suspect, does, tagOf)}</Text>
            </ShareRow>
          </Row>
        ))}
        <Row>
          <ShareRow share={apart} text="Each for itself: more than one thing is broken" />
        </Row>
      </View>
      {next !== undefined && (
        <Row className="gap-3">
          <View role="status">
            <Text as="small">Look next whether it works</Text>
            <Text as="strong">{tagOf(next)}</Text>
          </View>
          <View className="flex-row gap-3">
            <Button label="Works" kind="main" grow onPress={() => say(next, 'works')} />
            <Button label="Fails" kind="main" grow onPress={() => say(next, 'fails')} />
          </View>
        </Row>
      )}
    </>
  );
}

/** Which points hang on it, those that fail first. */
function hangsText(
  { points }: SharedSuspect,
  does: ReadonlyMap<string, Does>,
  tagOf: (id: string) => string,
): string {
  const failing = [...points].filter((id) => does.get(id) === 'fails');
  const rest = points.size - failing.length;
  return `${failing.map(tagOf).join(', ')} hang on it${rest ? `, and ${rest} more` : ', and nothing else'}`;
}
