import { View } from 'react-native';
import { GoTo } from './GoTo';
import { ChevronRight } from './icons';
import { useTokens } from './look';
import { Words } from './Words';

/** A way to a further page, with what stands there now. */
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
