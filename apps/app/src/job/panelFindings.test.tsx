import { render, screen } from '@testing-library/react';
import { withWires } from '../../../../packages/core/test/jobs';
import { smallJob, viewOf } from '../../test/openPoint';
import * as jobs from '../data/jobs';
import { PanelFindings } from './PanelFindings';

const shown = (job: ReturnType<typeof smallJob>) => {
  jest.spyOn(jobs, 'useJob').mockReturnValue({ data: viewOf(job) } as ReturnType<typeof jobs.useJob>);
  return render(<PanelFindings jobId="j" />);
};

test('a wire from plus to minus stands over the board and the panel, with its ampere', () => {
  shown(withWires(smallJob(), ['g1:+', 'g1:-']));
  expect(screen.getByRole('alert').textContent).toMatch(
    /^Short circuit in the panel: wire \d+ joins \+24.V to 0.V\. Up to \d+(\.\d)?.A flow/,
  );
});

test('a sound panel is told nothing', () => {
  expect(shown(smallJob()).container.textContent).toBe('');
});
