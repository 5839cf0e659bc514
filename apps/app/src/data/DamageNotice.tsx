import { COLLECTIONS } from '@keypost/core/model';
import { textOf } from '@keypost/core/messages';
import type { JobView } from '@keypost/api';
import { View } from 'react-native';
import { fileName } from '@keypost/core/lists';
import { saveFile } from './saveFile';
import { server } from './server';
import { Button } from '../ui/Button';
import { Notice } from '../ui/Notice';

/** A row in a line: what it is, and what is wrong with it. */
const lineOf = ({ collection, id, name, problem }: JobView['damaged'][number]): string => {
  const what = `${COLLECTIONS[collection].label} ${name ?? id}`;
  return problem ? `${what}: ${problem.path ? `${problem.path}, ` : ''}${textOf(problem.message)}` : what;
};

/** A job of which a part cannot be read: what is left out, and the way to a file of all of it. */
export function DamageNotice({ view }: { view: JobView }) {
  const wrong = view.damaged.filter(({ problem }) => problem);
  const loose = view.damaged.length - wrong.length;
  const save = async () => {
    const text = await server('exportJob', { params: { jobId: view.id } });
    saveFile(fileName(view.content.name, 'keypost.json'), 'application/json', text);
  };
  return (
    <View className="p-4">
      <Notice actions={<Button label="Save the job as a file" onPress={() => void save()} />}>
        {[
          'Part of this job cannot be read. The rest is shown; nothing can be changed until that is mended.',
          ...wrong.slice(0, 5).map(lineOf),
          ...(loose ? [`${loose} more ${loose === 1 ? 'row rests' : 'rows rest'} on it.`] : []),
        ].join('\n')}
      </Notice>
    </View>
  );
}
