import { textOf } from '@keypost/core/messages';
import type { Mark as MarkKind } from '@keypost/core/proving';
import type { VerdictStatus, WayOut } from '@keypost/core/verdict';
import { ArrowRight } from '../ui/icons';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { SaveNotice } from '../data/SaveNotice';
import type { Saver } from '../data/useSave';
import { useKnown, WhoAmI } from '../data/WhoAmI';
import type { OpenPoint } from '../point/usePoint';
import { useTokens } from '../ui/look';
import { Mark } from '../ui/Mark';
import { Words } from '../ui/Words';

const MARKS: Record<VerdictStatus, MarkKind> = {
  works: 'proven',
  doubtful: 'doubtful',
  cannot: 'cannot',
  open: 'open',
};

/** The verdict in a sentence, with its note where it is no approval, and the ways out that were solved and hold. */
export function VerdictWords({ point: { verdict }, saver }: { point: OpenPoint; saver: Saver }) {
  const { status, sentence, waysOut, reasons, note } = verdict;
  const works = status === 'works';
  return (
    <View role="region" aria-label="Verdict" className="gap-3">
      <View className="flex-row gap-3">
        <Mark kind={MARKS[status]} size={26} label={works ? 'works' : undefined} />
        <View className="min-w-0 flex-1">
          <Words as="body">
            {works && !note && <Words as="strong">Works. </Words>}
            {works ? textOf(sentence).replace(/^Works\. /, '') : textOf(sentence)}
          </Words>
          {note && (
            <Words as="small" className="pt-1">
              {textOf(note)}
            </Words>
          )}
          {reasons.slice(1).map((reason) => (
            <Words as="small" key={reason.code} className="pt-1">
              {textOf(reason.sentence)}
            </Words>
          ))}
        </View>
      </View>
      {waysOut.length > 0 && <WaysOut key={textOf(sentence)} ways={waysOut} saver={saver} />}
      <SaveNotice saver={saver} />
    </View>
  );
}

/** The best way out, and the others when they are asked for. */
function WaysOut({ ways, saver }: { ways: readonly WayOut[]; saver: Saver }) {
  const { accent } = useTokens();
  const known = useKnown();
  const [all, setAll] = useState(false);
  const shown = all ? ways : ways.slice(0, 1);
  const more = ways.length - shown.length;
  return (
    <View
      role="list"
      aria-label="Ways out"
      className="overflow-hidden rounded-plate border-fine border-accent bg-plate"
    >
      <Words as="strong" className="bg-wash px-4 py-2">
        {ways.length === 1 ? 'A way out, solved and found to work' : 'Ways out, solved and found to work'}
      </Words>
      {!known && (
        <View className="p-3">
          <WhoAmI />
        </View>
      )}
      {shown.map(({ sentence, change }) => (
        <Pressable
          key={textOf(sentence)}
          role="button"
          aria-label={textOf(sentence)}
          disabled={saver.saving || !known}
          onPress={() => void saver.save(change)}
          className="min-h-[50px] flex-row items-center gap-2 border-t border-line px-4 py-2 active:bg-wash"
        >
          <Words as="body" className="flex-1">
            {textOf(sentence)}
          </Words>
          <ArrowRight size={20} color={accent} />
        </Pressable>
      ))}
      {more > 0 && (
        <Pressable
          role="button"
          onPress={() => setAll(true)}
          className="min-h-[48px] justify-center border-t border-line px-4 active:bg-wash"
        >
          <Words as="strong" className="text-accent">
            {`${more} more ${more === 1 ? 'way' : 'ways'}`}
          </Words>
        </Pressable>
      )}
    </View>
  );
}
