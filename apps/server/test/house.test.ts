import { DEVICE_TYPES, MODULE_TYPES } from '@keypost/core/catalog';
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';

const ROOT = path.resolve(__dirname, '../../..');
const CATALOG = path.join('packages', 'core', 'src', 'catalog');

/** Sources of a folder, without tests. */
const sourcesIn = (folder: string): string[] =>
  readdirSync(path.join(ROOT, folder), { recursive: true, encoding: 'utf8' })
    .map((name) => path.join(folder, name))
    .filter((name) => /\.tsx?$/.test(name) && !/\.test\.tsx?$/.test(name) && !name.startsWith(CATALOG));

/** Ids of kinds; two of them are names of elements or models of the circuit too. */
const IDS = [...DEVICE_TYPES, ...MODULE_TYPES]
  .map(({ id }) => id)
  .filter((id) => id !== 'resistor' && id !== 'potentiometer');

/** What asks for one kind instead of for what its description says. */
function questions(text: string): string[] {
  const literals = [...text.matchAll(/(['"`])(?:[a-z]:)?([a-z0-9.-]+)\1/g)].map((found) => found[2] ?? '');
  const asked = [...text.matchAll(/\b(typeId|family|principle)\s*(===|!==)|\.(family|principle)\b/g)];
  return [
    ...literals.filter((literal) => IDS.includes(literal)),
    ...asked.map(([found]) => found).filter((found) => !/typeId/.test(found)),
    ...[...text.matchAll(/typeId\s*[!=]==\s*['"`]/g)].map(([found]) => found),
  ];
}

test.each([...sourcesIn('packages/core/src'), ...sourcesIn('apps/app/src')])(
  '%s asks no part for its kind',
  (name) => {
    expect(questions(readFileSync(path.join(ROOT, name), 'utf8'))).toEqual([]);
  },
);

test('a question for a kind would be found', () => {
  expect(questions(`if (device.typeId === 'arc-unit') return type.family;`)).toEqual(
    expect.arrayContaining(['arc-unit', '.family', `typeId === '`]),
  );
});

test('every page of the app has the type of its address: `npx expo customize tsconfig.json` in apps/app makes them', () => {
  const types = readFileSync(path.join(ROOT, 'apps/app/typed-routes.d.ts'), 'utf8');
  const routes = readdirSync(path.join(ROOT, 'apps/app/app'), { recursive: true, encoding: 'utf8' })
    .filter((name) => name.endsWith('.tsx') && !name.includes('_layout'))
    .map((name) => `/${name.replace(/\.tsx$/, '').replace(/(^|\/)index$/, '')}`);
  expect(routes.length).toBeGreaterThan(20);
  expect(routes.filter((route) => !types.includes(`\`${route}\``))).toEqual([]);
});

/** Forms whose draft is kept by the page or the form that they stand in. */
const KEPT_ELSEWHERE = ['point/PointForm.tsx', 'kinds/ParametersCard.tsx', 'data/drafts.ts'];

test('every form keeps what is typed until it is stored or thrown away', () => {
  const forms = sourcesIn('apps/app/src').filter((name) =>
    /\buseForm[(<]/.test(readFileSync(path.join(ROOT, name), 'utf8')),
  );
  expect(forms.length).toBeGreaterThan(10);
  const forgetful = forms
    .filter((name) => !/\b(useLeaving|useFormDraft)\(/.test(readFileSync(path.join(ROOT, name), 'utf8')))
    .map((name) => path.relative('apps/app/src', name));
  expect(forgetful.filter((name) => !KEPT_ELSEWHERE.includes(name))).toEqual([]);
});
