import { render, screen } from '@testing-library/react';
import { NotFetched } from '../data/notFetched';
import { PageGuard } from './PageGuard';
import { ThemeProvider } from './theme';

jest.mock('expo-router', () => ({ usePathname: () => '/job/a/point/b' }));

function Broken({ error }: { error: Error }): never {
  throw error;
}

const shownFor = (error: Error): void => {
  // React tells of what it caught.
  jest.spyOn(console, 'error').mockImplementation(() => undefined);
  render(
    <ThemeProvider>
      <PageGuard>
        <Broken error={error} />
      </PageGuard>
    </ThemeProvider>,
  );
};

test('a page that stops says that it is not the panel, what is safe, and what to tell', () => {
  shownFor(new Error('no such terminal'));
  expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('This page stopped');
  expect(screen.getByRole('alert').textContent).toContain('not in your panel');
  expect(screen.getByText('no such terminal')).toBeTruthy();
  expect(screen.getByRole('button', { name: 'Try again' })).toBeTruthy();
});

test('one that could not be fetched is no fault of anything', () => {
  shownFor(new NotFetched('The pages of a job did not arrive.'));
  expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('This page did not arrive');
  expect(screen.queryByText('The pages of a job did not arrive.')).toBeNull();
});
