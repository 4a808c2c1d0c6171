import { fireEvent, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, test } from 'vitest';
import { PAPER_FAMILIES, makePaper } from '@/core/catalogue';
import { PaperCatalogue } from './PaperCatalogue';
import { TruePaper } from './TruePaper';

test('the catalogue: each family with its fields and measures; what is printed is what is shown', async () => {
  const user = userEvent.setup();
  render(<PaperCatalogue system="inch" pageSize="Letter" />);
  expect(screen.getAllByRole('radio')).toHaveLength(Object.keys(PAPER_FAMILIES).length);
  fireEvent.click(screen.getByRole('radio', { name: PAPER_FAMILIES.rectangle.label }));
  const width = screen.getByRole('textbox', { name: PAPER_FAMILIES.rectangle.fields[0]!.label });
  await user.clear(width);
  await user.type(width, '1 1/2');
  const link = () =>
    new URL(screen.getByRole('link', { name: 'Print at true size' }).getAttribute('href')!, 'http://x');
  expect(JSON.parse(link().searchParams.get('paper')!)).toMatchObject({ family: 'rectangle', widthMm: 38.1 });
  expect(link().searchParams.get('hole')).toBe('true');
  fireEvent.click(screen.getByRole('switch', { name: 'Ring to punch' }));
  fireEvent.click(screen.getByRole('switch', { name: '2 mm apart' }));
  expect([link().searchParams.get('hole'), link().searchParams.get('gap')]).toEqual(['false', '2']);
  await user.clear(width);
  await user.type(width, 'x');
  expect(screen.queryByRole('link', { name: 'Print at true size' })).toBeNull();
  expect(width.getAttribute('aria-invalid')).toBe('true');
});

test('how many: from 1 to 2000, with the sheets that takes', async () => {
  const user = userEvent.setup();
  render(<PaperCatalogue system="metric" pageSize="A4" />);
  const perSheet = Number(/^(\d+), sharing cuts$/.exec(screen.getByText(/sharing cuts$/).textContent!)?.[1]);
  expect(perSheet).toBeGreaterThan(1);
  const count = screen.getByRole('textbox', { name: 'How many' });
  for (const [typed, sheets] of [[String(perSheet), '1 sheet'], [String(perSheet + 1), '2 sheets'], ['0', undefined], ['2001', undefined], ['2000', `${Math.ceil(2000 / perSheet)} sheets`]] as const) {
    await user.clear(count);
    await user.type(count, typed);
    expect(screen.queryByText(/^\d+ sheets?$/)?.textContent).toBe(sheets);
    expect(count.getAttribute('aria-invalid')).toBe(String(sheets === undefined));
  }
}); // prettier-ignore

test('papers of a drawing are measured; where one is nearly a paper of the catalogue, the exact one is taken', async () => {
  render(<PaperCatalogue system="inch" pageSize="Letter" />);
  const svg = '<svg xmlns="http://www.w3.org/2000/svg" width="60mm" height="60mm" viewBox="0 0 60 60"><rect width="38.35" height="38.35"/></svg>';
  fireEvent.change(document.querySelector('input[type=file]')!, { target: { files: [new File([svg], 'a.svg')] } });
  fireEvent.click(await screen.findByRole('button', { name: 'Use the exact one' }));
  const link = new URL(screen.getByRole('link', { name: 'Print at true size' }).getAttribute('href')!, 'http://x');
  expect(JSON.parse(link.searchParams.get('paper')!)).toMatchObject({ family: 'regular', sides: 4, edgeMm: expect.closeTo(38.1, 6) });
}); // prettier-ignore

test('a paper is drawn with every edge and angle, angles clear of each other; one of many corners without', () => {
  const texts = () => screen.getAllByRole('img').at(-1)!.querySelectorAll('text');
  render(<TruePaper name="diamond" system="metric" outline={makePaper({ family: 'diamond', edgeMm: 30, angleDeg: 20 })} />);
  expect([...texts()].map(({ textContent }) => textContent)).toEqual(expect.arrayContaining(['20°', '160°']));
  expect(texts()).toHaveLength(8);
  const inside = [...texts()].filter((one) => one.textContent?.includes('°'));
  const at = inside.map((one) => [Number(one.getAttribute('x')), Number(one.getAttribute('y'))] as const);
  for (const [i, [x, y]] of at.entries())
    for (const [u, v] of at.slice(0, i)) expect(Math.hypot(x - u, y - v)).toBeGreaterThan(1);
  render(<TruePaper name="many" system="metric" outline={makePaper({ family: 'regular', sides: 12, edgeMm: 30 })} />);
  expect(texts()).toHaveLength(0);
}); // prettier-ignore
