import { fireEvent, render, screen } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { pleatsOf } from '@/core/basting';
import { makePaper } from '@/core/catalogue';
import { defaultRecipe, documentOfRecipe, generate } from '@/core/generate';
import { blockSheet } from '@/core/sheet';
import { patch, rosette } from '@/core/testing';
import { TROUBLES } from '@/core/troubles';
import { Choice } from './Choice';
import { ErrorNote } from './ErrorNote';
import { FigureField } from './FigureField';
import { FileButton } from './FileButton';
import { HelpDialog } from './HelpDialog';
import { PlainChoice } from './PlainChoice';
import { StepDrawing } from './StepDrawing';
import { TroubleHelp } from './TroubleHelp';
import { BendLayer, FoldLayer, PatchLayer, PatchMark, PleatLayer, ThreadLayer } from './drawing';
import { STATIONS } from './stations';
import { sayNumbers } from './patchNumbers';

const SETTINGS = { allowanceMm: 6.35, sparesPercent: 0, system: 'inch' } as const;
const svg = (children: React.ReactNode) => render(<svg>{children}</svg>).container;
const joins = (sheet: ReturnType<typeof blockSheet>) =>
  sheet.steps.flatMap((step) => (step.kind === 'join' ? [step] : []));

test('the same file may be chosen again, and none is no file', () => {
  const onFile = vi.fn();
  render(<FileButton accept=".svg" onFile={onFile}>Choose</FileButton>); // prettier-ignore
  const input = document.querySelector('input')!;
  const file = new File(['x'], 'a.svg');
  fireEvent.change(input, { target: { files: [file] } });
  expect(input.value).toBe('');
  fireEvent.change(input, { target: { files: [file] } });
  fireEvent.change(input, { target: { files: [] } });
  expect(onFile.mock.calls).toEqual([[file], [file]]);
});

test('one of several is chosen from a list, by the page’s or by the device’s own', () => {
  const [page, device] = [vi.fn(), vi.fn()];
  const choices = [['a', 'Apple'], ['b', 'Pear']] as const; // prettier-ignore
  render(<Choice label="Fruit" value="a" choices={choices} isWrong onChange={page} />);
  render(<PlainChoice label="Own" value="b" choices={choices} onChange={device} />);
  expect(screen.getByRole('combobox', { name: 'Fruit' }).textContent).toBe('Apple');
  fireEvent.mouseDown(screen.getByRole('combobox', { name: 'Fruit' }));
  fireEvent.click(screen.getByRole('option', { name: 'Pear' }));
  expect(page).toHaveBeenCalledWith('b');
  fireEvent.change(screen.getByRole('combobox', { name: 'Own', hidden: true }), { target: { value: 'a' } });
  expect(device).toHaveBeenCalledWith('a');
});

test('a figure is typed, or chosen where it has choices; a wrong one is marked', () => {
  const onChange = vi.fn();
  const { rerender } = render(<FigureField field={{ name: 'n', label: 'Blades', type: 'count', hint: 'a few' }} value="6" isWrong onChange={onChange} />);
  const field = screen.getByRole('textbox', { name: 'Blades' });
  expect([field.getAttribute('aria-invalid'), screen.getByText('a few').textContent]).toEqual(['true', 'a few']);
  fireEvent.change(field, { target: { value: '8' } });
  expect(onChange).toHaveBeenCalledWith('8');
  rerender(<FigureField field={{ name: 't', label: 'Tip', type: 'choice', choices: [['flat', 'flat'], ['round', 'round']] } as never} value="flat" isWrong={false} onChange={onChange} />);
  expect(screen.getByRole('combobox', { name: 'Tip' })).toBeTruthy();
}); // prettier-ignore

test('what went wrong is read out with how to mend it; nothing wrong says nothing', () => {
  const { container, rerender } = render(<ErrorNote error={undefined} />);
  expect(container.textContent).toBe('');
  rerender(<ErrorNote error={{ what: 'Too wide.', mend: 'Less.' } as never} />);
  expect(screen.getByRole('alert').textContent).toContain('Too wide. Less.');
});

test('help tells the place’s purpose and every way, and closes', () => {
  const close = vi.fn();
  const [station] = STATIONS;
  const { rerender } = render(<HelpDialog place={undefined} onClose={close} />);
  expect(screen.queryByRole('dialog')).toBeNull();
  rerender(<HelpDialog place={station!} onClose={close} />);
  for (const way of station!.ways) expect(screen.getByRole('dialog').textContent).toContain(way);
  fireEvent.keyDown(screen.getByRole('dialog'), { key: 'Escape' });
  expect(close).toHaveBeenCalled();
});

test('troubles are counted and each tells why, what to do and how to avoid it; none is not offered', () => {
  const { container, rerender } = render(<TroubleHelp troubles={TROUBLES.slice(0, 2)} />);
  expect(container.querySelector('summary')?.textContent).toContain('(2)');
  for (const { cause, remedy, avoid } of TROUBLES.slice(0, 2)) for (const text of [cause, remedy, avoid]) expect(container.textContent).toContain(text);
  rerender(<TroubleHelp troubles={[]} />);
  expect(container.textContent).toBe('');
}); // prettier-ignore

test('numbers of patches are named as the board shows them, and those that are gone are not', () => {
  const numbers = new Map([['a', 1], ['b', 2]]); // prettier-ignore
  expect(sayNumbers(['a', 'b'], numbers)).toMatch(/1.*2/);
  expect(sayNumbers(['gone'], numbers)).toBe('');
});

test('the thread of a join: a dot where it is begun, a ring where it goes on, its knots, and dots where it slides', () => {
  const sheet = blockSheet(rosette(1), SETTINGS);
  const [fresh, slid] = [joins(sheet).find(({ carriesOn }) => !carriesOn)!, joins(sheet).find(({ chains }) => chains[0]!.slides.length > 0)!];
  const drawn = (step: typeof fresh) => {
    const own = svg(<ThreadLayer chains={step.chains} scaleMm={100} />);
    const rings = [...own.querySelectorAll('circle')];
    return { start: rings.at(-1)!.getAttribute('fill'), circles: rings.length, slides: own.querySelectorAll('[data-slide]').length, bends: own.querySelectorAll('path[stroke*=warning]').length };
  };
  const marks = ({ chains }: typeof fresh) => chains.reduce((sum, { knots, locks }) => sum + knots.length + locks.length, 0);
  expect(drawn(fresh)).toMatchObject({ start: 'var(--mui-palette-error-main)', circles: marks(fresh), slides: 0 });
  expect(drawn(slid)).toMatchObject({ start: '#fffdf7', circles: marks(slid), slides: slid.chains[0]!.slides.length, bends: slid.bends });
}); // prettier-ignore

test('folds are numbered on every side that is folded, upright from behind too; raw sides are dotted and have no number', () => {
  const own = { ...blockSheet([patch(1, [[0, 0], [30, 0], [30, 30], [0, 30]])], SETTINGS).patches[0]!, foldOrder: [2, 0, 3], rawSides: [1] }; // prettier-ignore
  const numbers = svg(<FoldLayer patches={[own]} isFlipped />);
  expect([...numbers.querySelectorAll('text')].map(({ textContent }) => textContent).sort()).toEqual([
    '1',
    '2',
    '3',
  ]);
  expect(numbers.querySelector('g g')!.getAttribute('transform')).toContain('scale(-1 1)');
  const drawn = svg(<PatchMark outline={own.outline} fill="none" rawSides={own.rawSides} dash="2 3" />);
  expect([...drawn.querySelectorAll('path')].map((one) => one.getAttribute('stroke-dasharray'))).toEqual([
    '2 3',
    '2 4',
  ]);
});

test('higher layers are drawn over lower ones, hands beside the numbers, tails where they are wished', () => {
  const sheet = blockSheet(generate(defaultRecipe('plate')), SETTINGS);
  const layer = (showTails: boolean) => svg(<PatchLayer patches={sheet.patches} fabrics={[]} prefix="x" ink={() => 'normal'} isFlipped={false} showTails={showTails} />);
  const order = [...layer(false).querySelectorAll('[data-patch]')].map((one) => sheet.patches.findIndex(({ id }) => id === one.getAttribute('data-patch')));
  const layers = order.map((index) => sheet.patches[index]!.layer);
  expect([...layers].sort((a, b) => a - b)).toEqual(layers);
  const tails = sheet.patches.reduce((sum, own) => sum + own.tails.length, 0);
  expect(layer(true).querySelectorAll('path[fill*=warning]').length).toBe(tails);
  const handed = blockSheet(generate(defaultRecipe('framed-diamond')), SETTINGS);
  const texts = [...svg(<PatchLayer patches={handed.patches} fabrics={[]} prefix="y" ink={() => 'held'} isFlipped showTails={false} />).querySelectorAll('text')].map(({ textContent }) => textContent);
  expect(texts.filter((text) => /[LR]$/.test(text!)).length).toBe(handed.patches.filter(({ hand }) => hand !== 'none').length);
}); // prettier-ignore

test('pleats are lines out of the curve, clips wedges into it; papers are folded from the bend through their middle', () => {
  const clam = makePaper({ family: 'clamshell', widthMm: 50 } as never);
  const pleats = pleatsOf(clam);
  const drawn = svg(<PleatLayer pleats={pleats} allowanceMm={6} />);
  // They repeat in lines what the words say.
  expect(drawn.querySelector('g')?.getAttribute('aria-hidden')).toBe('true');
  expect([...drawn.querySelectorAll('path')].filter((one) => one.getAttribute('fill') === 'none').length).toBe(pleats.filter(({ kind }) => kind === 'pleat').length);
  const sheet = blockSheet(rosette(1), SETTINGS);
  const bent = joins(sheet).find(({ folds }) => folds.length > 0)!;
  const lines = svg(<BendLayer folds={bent.folds} patches={sheet.patches} shift={() => undefined} />).querySelectorAll('path');
  expect(lines.length).toBe(bent.folds.reduce((sum, { patches }) => sum + patches.length, 0));
}); // prettier-ignore

test('from the paper side, of a large batch only the first paper carries fold numbers, of a small one each does; from the front, where they would run the other way round, none', () => {
  const { patches } = documentOfRecipe(defaultRecipe('rosette'));
  const sheet = blockSheet(patches, SETTINGS);
  sheet.steps.forEach((step, index) => {
    if (step.kind !== 'baste') return;
    const numbered = (isFlipped: boolean) => {
      const { container, unmount } = render(<StepDrawing label="S" sheet={sheet} current={index} fabrics={[]} system="inch" isFlipped={isFlipped} onFlip={() => undefined} />);
      const count = container.querySelectorAll('rect[fill="#24527a"]').length;
      unmount();
      return count;
    };
    expect([numbered(false), numbered(true)]).toEqual([0, 6 * (step.patches.length > 6 ? 1 : step.patches.length)]);
  });
}); // prettier-ignore
