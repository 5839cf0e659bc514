import { textOf } from '@keypost/core/messages';
import type { Status as StatusKind } from '@keypost/core/proving';
import type { VerdictStatus, Remedy } from '@keypost/core/verdict';
import { ArrowRight } from '../ui/laterIcons';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { SaveNotice } from '../data/SaveNotice';
import type { Saver } from '../data/useSave';
import type { OpenPoint } from './usePoint';
import { useTokens } from '../ui/theme';
import { StatusIcon } from '../ui/StatusIcon';
import { Text } from '../ui/Text';

const STATUS_ICONS: Record<VerdictStatus, StatusKind> = {
  works: 'proven',
  doubtful: 'doubtful',
  cannot: 'cannot',
  open: 'open',
};

/** The verdict in a sentence, with its note where it is no approval, and the ways out that were solved and hold. */
export function VerdictText({ point: { verdict }, saver }: { point: OpenPoint; saver: Saver }) {
  const { status, sentence, remedies, needed, reasons, note } = verdict;
  const works = status === 'works';
  return (
    <View role="region" aria-label="Verdict" className="gap-3">
      <View className="flex-row gap-3">
        <StatusIcon kind={STATUS_ICONS[status]} size={26} label={works ? 'works' : undefined} />
        <View className="min-w-0 flex-1">
          <Text as="body">
            {works && !note && <Text as="strong">Works. </Text>}
            {works ? textOf(sentence).replace(/^Works\. /, '') : textOf(sentence)}
          </Text>
          {note && (
            <Text as="small" className="pt-1">
              {textOf(note)}
            </Text>
          )}
          {reasons.slice(1).map((reason) => (
            <Text as="small" key={reason.code} className="pt-1">
              {textOf(reason.sentence)}
            </Text>
          ))}
        </View>
      </View>
      {needed && (
        <View
          role="note"
          aria-label="What it takes"
          className="rounded-plate border-fine border-edge bg-plate px-4 py-3"
        >
          <Text as="body">{textOf(needed)}</Text>
        </View>
      )}
      {remedies.length > 0 && <Remedies key={textOf(sentence)} ways={remedies} saver={saver} />}
      <SaveNotice saver={saver} />
    </View>
  );
}

/** The best way out, and the others when they are asked for. */
function Remedies({ ways, saver }: { ways: readonly Remedy[]; saver: Saver }) {
  const { accent } = useTokens();
  const [all, setAll] = useState(false);
  const shown = all ? ways : ways.slice(0, 1);
  const more = ways.length - shown.length;
  return (
    <View className="overflow-hidden rounded-plate border-fine border-accent bg-plate">
      <Text as="strong" className="bg-wash px-4 py-2">
        {ways.length === 1
          ? 'What to change: solved and found to work'
          : 'What to change: each solved and found to work'}
      </Text>
      <View role="list" aria-label="Ways out">
        {shown.map(({ sentence, change }) => (
          <View role="listitem" key={textOf(sentence)}>
            <Pressable
              role="button"
              aria-label={textOf(sentence)}
              disabled={saver.saving}
              onPress={() => void saver.save(change)}
              className="min-h-[50px] flex-row items-center gap-2 border-t border-line px-4 py-2 active:bg-wash"
            >
              <Text as="body" className="flex-1">
                {textOf(sentence)}
              </Text>
              <ArrowRight size={20} color={accent} />
            </Pressable>
          </View>
        ))}
        {more > 0 && (
          <View role="listitem">
            <Pressable
              role="button"
              onPress={() => setAll(true)}
              className="min-h-[48px] justify-center border-t border-line px-4 active:bg-wash"
            >
              <Text as="strong" className="text-accent">
                {`${more} more ${more === 1 ? 'way' : 'ways'}`}
              </Text>
            </Pressable>
          </View>
        )}
      </View>
    </View>
  );
}
