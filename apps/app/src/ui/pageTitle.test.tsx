import { render, screen } from '@testing-library/react';
import { usePageTitle } from './pageTitle';

/** What is not drawn is not seen; here everything is. */
beforeEach(() =>
  jest.spyOn(Element.prototype, 'getClientRects').mockReturnValue([{}] as unknown as DOMRectList),
);

function Page({ title }: { title?: string }) {
  usePageTitle(title);
  return (
    <div role="main">
      <h1>{title}</h1>
      <input aria-label={`Find in ${title}`} />
      <a href="#on">Go on</a>
    </div>
  );
}

const open = (path: string, title?: string) => {
  window.history.pushState(null, '', path);
  return render(<Page key={path} title={title} />);
};
const drawn = () => new Promise(requestAnimationFrame);
const here = () => document.activeElement?.textContent || document.activeElement?.getAttribute('aria-label');

test('the keyboard goes on at the name of a page that comes, and is left to whoever went on in it', async () => {
  const first = open('/first', 'First');
  await drawn();
  // Where the program begins, the browser has the keyboard.
  expect(document.activeElement).toBe(document.body);
  screen.getByRole('link', { name: 'Go on' }).focus();
  first.unmount();
  const second = open('/second', 'Second');
  await drawn();
  expect(here()).toBe('Second');
  second.unmount();

  const third = open('/third', 'Third');
  screen.getByLabelText('Find in Third').focus();
  await drawn();
  expect(here()).toBe('Find in Third');
  third.unmount();

  // Its name is known later, as that of a job that is read first.
  const fourth = open('/fourth');
  screen.getByLabelText('Find in undefined').focus();
  fourth.rerender(<Page key="/fourth" title="Fourth" />);
  await drawn();
  expect(here()).toBe('Find in Fourth');
});
