import { textOf } from '@keypost/core/messages';
import { panelFindings } from '@keypost/core/verdict';
import { View } from 'react-native';
import { useJob } from '../data/jobs';
import { useIndex } from '../data/useIndex';
import { Notice } from '../ui/Notice';

/** What is wrong with the panel as a whole; nothing where nothing is. */
export function PanelFindings({ jobId }: { jobId: string }) {
  const job = useJob(jobId);
  const index = useIndex(job.data);
  const findings = index ? panelFindings(index) : [];
  if (findings.length === 0) return null;
  return (
    <View className="gap-3" role="region" aria-label="The panel as a whole">
      {findings.map(({ sentence }) => (
        <Notice key={textOf(sentence)}>{textOf(sentence)}</Notice>
      ))}
    </View>
  );
}
