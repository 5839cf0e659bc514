import { act, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { Text, View } from 'react-native';
import { LongList } from './LongList';

const HEIGHT = 60;
const names = (count: number) => Array.from({ length: count }, (_, i) => `P-${i + 1}`);

function Page({ items }: { items: string[] }) {
  return (
    <div style={{ overflowY: 'auto', height: 600 }} data-testid="page">
      <LongList
        label="Points"
        items={items}
        keyOf={(name) => name}
        height={HEIGHT}
        row={(name) => (
          <View>
            <Text>{name}</Text>
          </View>
        )}
      />
    </div>
  );
}

const drawn = () => screen.getAllByRole('listitem').map((row) => row.textContent);

/** The page has a height, and every row its own, which a page without a layout cannot say. */
beforeEach(() => {
  const height = function (this: HTMLElement): number {
    return this.dataset.testid === 'page' ? 600 : HEIGHT;
  };
  jest.spyOn(HTMLElement.prototype, 'offsetHeight', 'get').mockImplementation(height);
  jest.spyOn(Element.prototype, 'clientHeight', 'get').mockImplementation(height as () => number);
});
afterEach(() => jest.restoreAllMocks());

test('of a list of 2,000 rows those near what one sees are drawn, and others where one scrolls to', async () => {
  render(<Page items={names(2000)} />);
  // What draws them is fetched first.
  await waitFor(() => expect(screen.getByRole('list').style.paddingBottom).not.toBe(''), { timeout: 20_000 });
  const first = drawn();
  expect(first[0]).toBe('P-1');
  expect(first.length).toBeGreaterThanOrEqual(10);
  expect(first.length).toBeLessThan(60);
  const page = screen.getByTestId('page');
  page.scrollTop = 1000 * HEIGHT;
  act(() => void fireEvent.scroll(page));
  const later = drawn();
  expect(later).toContain('P-1005');
  expect(later).not.toContain('P-1');
  expect(later.length).toBeLessThan(80);
}, 30_000);

test('a list of a usual length is drawn whole', async () => {
  render(<Page items={names(20)} />);
  await waitFor(() => expect(drawn()).toEqual(names(20)), { timeout: 20_000 });
}, 30_000);
