import { sure } from '@keypost/core/lists';
import { bracketed, say, useWording } from '@keypost/core/messages';
import { applyChange } from '@keypost/core/job';
import { landSteps, stampedSteps } from '@keypost/core/presentation';
import { JobProblem } from '@keypost/core/model';
import { proofPlan } from '@keypost/core/proving';
import { fitSteps, sheetsOf } from '@keypost/core/setting';
import { findTool } from '@keypost/core/tools';
import { render } from '@testing-library/react';
import type { ReactElement } from 'react';
import { CATALOG } from '../../../../packages/core/src/messages/catalog';
import { openPoint, smallJob } from '../../test/openPoint';
import { pressureJob } from '../../test/pressureJob';
import { PointRow } from '../job/PointRow';
import { SaveNotice } from '../data/SaveNotice';
import { changeSettings } from '../data/settings';
import { asProblem } from '../data/asProblem';
import type { Saver } from '../data/useSave';
import { LoopBudgetCard } from '../land/LoopBudgetCard';
import { VerdictText } from './VerdictText';
import { EventList } from '../log/EventList';
import { ProofForm } from '../prove/ProofForm';
import { Results } from '../prove/Results';
import { ErrorBudgetCard } from '../scale/ErrorBudgetCard';
import { AgreementCard } from '../set/AgreementCard';
import { useChain } from '../chain/useChain';
import { SheetCard } from '../set/SheetCard';
import { ToolOutcome } from '../tools/ToolOutcome';
import { StampSteps } from './StampSteps';

jest.mock('expo-router', () => ({
  useRouter: () => ({ push: jest.fn() }),
  Link: ({ children }: { children: ReactElement }) => children,
}));

const ALL = { isAll: true, waiting: false, read: async () => undefined };
const SAVER: Saver = {
  saving: false,
  problem: undefined,
  save: jest.fn().mockResolvedValue(undefined),
  addPhoto: jest.fn(),
  retry: jest.fn().mockResolvedValue(undefined),
  force: jest.fn().mockResolvedValue(undefined),
  dismiss: jest.fn(),
};

const dead = openPoint(smallJob('+'));
const working = openPoint();
const pressure = () => openPoint(pressureJob(), 'pt');
const stampStep = { id: 's', pointId: 'p', step: 'isolate', fingerprint: {} };
const steps = stampedSteps(working.view.content, 'p', landSteps(working.analysis));
const result = {
  id: 'r',
  pointId: 'p',
  check: 'present.inputLamp',
  fingerprint: {},
  expected: { seen: true },
  measured: false,
  pass: false,
  difference: 1,
} as const;
const event = {
  id: 1,
  at: '2026-01-01T00:00:00.000Z',
  by: 'TT',
  what: '',
  collection: 'stamps',
  rowId: 's',
  before: null,
  after: stampStep,
} as never;

function Budgeted() {
  const point = pressure();
  const moment = useChain(point);
  if (typeof moment === 'string') throw new Error(moment);
  return <ErrorBudgetCard point={point} moment={moment} />;
}

/** Where a page shows what the core says. */
const PAGES: readonly [string, () => ReactElement][] = [
  ['verdict, reason and remedies', () => <VerdictText point={dead} saver={SAVER} />],
  ['a line of the board', () => <PointRow row={dead.progress} jobId="j" first chosen={false} wide />],
  [
    'steps with their cautions',
    () => <StampSteps point={working} steps={steps} title="Steps" label="Steps" saver={SAVER} />,
  ],
  [
    'checks of a proof',
    () => <ProofForm point={working} plan={proofPlan(working.analysis)} latest={new Map()} />,
  ],
  [
    'stored results',
    () => <Results point={openPoint(smallJob('-', 'pnp', [{ kind: 'record', results: [result] }]))} />,
  ],
  [
    'an event of the log',
    () => <EventList jobId="j" events={[event]} older={ALL} title="Log" job={working.view.content} />,
  ],
  [
    'a problem of a change',
    () => {
      const problem = (() => {
        try {
          applyChange(working.view.content, { kind: 'removeModule', id: 'gone' }, { by: 'TT', at: '' });
        } catch (error) {
          return asProblem(error);
        }
        throw new JobProblem([{ path: '', message: say('verdict.works') }]);
      })();
      return <SaveNotice saver={{ ...SAVER, problem }} />;
    },
  ],
  ['what must agree', () => <AgreementCard point={pressure()} />],
  ['the budget of a loop', () => <LoopBudgetCard analysis={pressure().analysis} />],
  [
    'checks before wiring',
    () => {
      const point = pressure();
      const fit = fitSteps(point.index, point.analysis.context.point);
      return <StampSteps point={point} steps={fit} title="Fit" label="Fit" saver={SAVER} />;
    },
  ],
  ['an error budget', () => <Budgeted />],
  [
    'a sheet',
    () => {
      const { view, index } = pressure();
      const [sheet] = sheetsOf(index, 'pt');
      return <SheetCard view={view} sheet={sure(sheet)} arranged="order" />;
    },
  ],
  [
    'the result of a tool',
    () => {
      const tool = sure(findTool('pulse'));
      const change = () => undefined;
      const acts = { change, fill: change, reset: change };
      const use = { values: tool.first, isExample: false, fields: [], ...acts, problems: [] };
      return <ToolOutcome use={{ ...use, result: tool.work(tool.first) }} />;
    },
  ],
];

/** Whole sentences without parameters: what must not stand on a page by itself. */
const FIXED = Object.values(CATALOG).filter(
  (entry): entry is Extract<typeof entry, string> =>
    typeof entry === 'string' && /^\S+ \S+ .*\.$/.test(entry),
);

beforeEach(() => {
  localStorage.clear();
  changeSettings({ by: 'TT', theme: 'light' });
  useWording(bracketed());
});
afterEach(() => useWording());

test.each(PAGES)('%s: whatever the core says there is worded by the catalog', (_, page) => {
  const { container } = render(page());
  const shown = container.textContent;
  expect(shown).toMatch(/⟦/);
  expect(shown).not.toMatch(/\[object|undefined/);
  expect(FIXED.filter((sentence) => shown.replaceAll(`⟦${sentence}⟧`, '').includes(sentence))).toEqual([]);
});
