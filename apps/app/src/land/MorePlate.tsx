import { ownWires, planDifferences } from '@keypost/core';
import type { DeviceFamily } from '@keypost/core';
import { View } from 'react-native';
import type { OpenPoint } from '../point/usePoint';
import { GoTo } from '../ui/GoTo';
import { ChevronRight } from '../ui/icons';
import { useTokens } from '../ui/look';
import { Plate } from '../ui/Plate';
import { Words } from '../ui/Words';

const SWITCHING: readonly DeviceFamily[] = ['three-wire', 'contact', 'two-wire'];

/** The ways to the point's further pages, each with what stands there now. */
export function MorePlate({ point }: { point: OpenPoint }) {
  const { context } = point.analysis;
  const { index, helpers, type } = context;
  const wires = ownWires(index, context.point);
  const other = planDifferences(index, wires).length;
  const rows = [
    {
      to: 'wires',
      label: 'Wires as found',
      hint: other ? `${other} other than planned` : `${wires.length}, all as planned`,
      loud: other > 0,
    },
    {
      to: 'parts',
      label: 'Parts and switches',
      hint: [context.device, ...helpers].map(({ tag }) => tag).join(', '),
      loud: false,
    },
    ...(SWITCHING.includes(type.family)
      ? [{ to: 'relay', label: 'Plan a relay', hint: 'poles, contacts, terminals', loud: false }]
      : []),
  ];
  return (
    <Plate title="More">
      {rows.map(({ to, label, hint, loud }, i) => (
        <MoreRow key={to} to={`${point.base}/${to}`} label={label} hint={hint} loud={loud} first={i === 0} />
      ))}
    </Plate>
  );
}

export function MoreRow({
  to,
  label,
  hint,
  loud = false,
  first,
}: {
  to: string;
  label: string;
  hint: string;
  loud?: boolean;
  first: boolean;
}) {
  const { soft } = useTokens();
  return (
    <GoTo
      label={`${label}: ${hint}`}
      to={to}
      className={`min-h-[56px] flex-row items-center gap-3 px-4 py-1.5 active:bg-wash ${first ? '' : 'border-t border-line'}`}
    >
      <View className="min-w-0 flex-1">
        <Words as="strong">{label}</Words>
        <Words as="small" className={loud ? 'font-wordsemi text-wait' : ''} numberOfLines={2}>
          {hint}
        </Words>
      </View>
      <ChevronRight size={22} color={soft} />
    </GoTo>
  );
}
