import type { JobView } from '@keypost/api';
import type { Device } from '@keypost/core/model';
import { SaveNotice } from '../data/SaveNotice';
import { useSave } from '../data/useSave';
import { Button } from '../ui/Button';
import { FileUp } from '../ui/icons';
import { Notice } from '../ui/Notice';
import { Select } from '../ui/Select';
import { useTokens } from '../ui/theme';
import { useDescriptionFile } from './useDescriptionFile';

/** Which description file says what a device's parameters and data are: one of the job's, or one that is brought in. */
export function DescriptionChoice({ view, device }: { view: JobView; device: Device }) {
  const { ink } = useTokens();
  const saver = useSave(view);
  const { descriptions } = view.content;
  const { pick, refused, close } = useDescriptionFile((description) => {
    void saver.save({
      kind: 'batch',
      changes: [
        { kind: 'addDescription', description },
        { kind: 'editDevice', id: device.id, patch: { descriptionId: description.id } },
      ],
    });
  });
  const put = (id: string) =>
    void saver.save({ kind: 'editDevice', id: device.id, patch: { descriptionId: id === '' ? null : id } });
  return (
    <>
      {descriptions.length > 0 && (
        <Select
          label="Description file"
          value={device.descriptionId ?? ''}
          options={[
            { value: '', label: 'none yet' },
            ...descriptions.map(({ id, fileName }) => ({ value: id, label: fileName })),
          ]}
          onChange={put}
        />
      )}
      {refused && <Notice actions={<Button label="Close" onPress={close} />}>{refused}</Notice>}
      <SaveNotice saver={saver} />
      {device.descriptionId === undefined && (
        <Button
          label="Bring in its description file"
          icon={<FileUp size={20} color={ink} />}
          waiting={saver.saving}
          onPress={() => void pick()}
        />
      )}
    </>
  );
}
