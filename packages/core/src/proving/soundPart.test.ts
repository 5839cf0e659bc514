import { FAMILIES } from '../../test/families.ts';
import { sure } from '../lists/index.ts';
import { checkIntegrity } from '../job/integrity.ts';
import { COLLECTION_NAMES } from '../model/collections.ts';
import type { JobContent } from '../model/collections.ts';
import { soundPart } from './soundPart.ts';

const job = sure(FAMILIES['guard switch'])();

describe('the sound part of a job', () => {
  test('is all of it where nothing is damaged', () => {
    expect(soundPart(job)).toEqual({ job, damaged: [] });
  });

  // Whatever row is broken, what is left is sound, and each row that is left out is named.
  test.each(COLLECTION_NAMES.filter((name) => job[name].length > 0 && name !== 'supplies'))(
    'is sound without any one of the %s',
    (name) => {
      job[name].forEach((row, i) => {
        const rows = [...job[name]] as object[];
        rows[i] = { id: row.id };
        const { job: sound, damaged } = soundPart({ ...job, [name]: rows } as JobContent);
        expect(damaged[0]).toMatchObject({ collection: name, id: row.id, problem: expect.anything() });
        expect(checkIntegrity(sound)).toEqual([]);
        const left = COLLECTION_NAMES.reduce((sum, list) => sum + sound[list].length, 0);
        const all = COLLECTION_NAMES.reduce((sum, list) => sum + job[list].length, 0);
        expect(left + damaged.length).toBe(all);
      });
    },
  );
});
