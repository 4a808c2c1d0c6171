import fc from 'fast-check';
import { expect, test } from 'vitest';
import { buildSeamGraph } from '../block';
import { makePaper } from '../catalogue';
import { chanceFrom } from '../chance';
import { defaultRecipe, generate, RECIPE_NAMES, type RecipeKind } from '../generate';
import { cornerAngles, edgeLength, edgesOf, layAgainst, moveOutline, type Outline } from '../geometry';
import { waitsFor, type BlockSheet } from '../sheet';
import { hexagonMosaic, patch, plannedSheet, plate, rosette } from '../testing';
import {
  NEW_SESSION,
  answered,
  isRight,
  nextQuestion,
  practiceQuestions,
  scoreOf,
  shuffled,
  teachNext,
  type Question,
  type QuestionKind,
} from '.';
import { papersOutQuestions } from './papersOut';
import { turnedOverQuestions } from './tails';

const SETTINGS = { allowanceMm: 6.35, sparesPercent: 0, system: 'inch' } as const;
const sheetOf = (patches: Parameters<typeof plannedSheet>[0]) => plannedSheet(patches, SETTINGS);
const KINDS = Object.keys(RECIPE_NAMES) as RecipeKind[];
const of = (sheet: BlockSheet, kind: QuestionKind) =>
  practiceQuestions(sheet).filter((one) => one.kind === kind);
const rightOf = ({ answer }: Question) => (answer.form === 'tap' ? answer.right : answer.right);

test('seams are looked at in blocks of up to a thousand patches', () => {
  const ofSeams = (count: number) => {
    const all = [...rosette(17), ...hexagonMosaic(count).map((one) => ({ ...one, id: `over ${one.id}`, layer: 1 }))];
    const patches = all.slice(0, count).map((one) => ({ ...one, hand: 'none', tails: [] }));
    return practiceQuestions({ steps: [], kinds: [], patches: patches as never }).length;
  };
  expect([ofSeams(1000), ofSeams(1001)]).toEqual([8, 0]);
}); // prettier-ignore

test('every question has one right answer, an id of its own, a reason, and no more than eight of a kind', () => {
  for (const kind of KINDS) {
    const questions = practiceQuestions(sheetOf(generate(defaultRecipe(kind))));
    expect(new Set(questions.map(({ id }) => id)).size).toBe(questions.length);
    for (const question of questions) {
      expect(isRight(question, rightOf(question))).toBe(true);
      expect(question.reason).toMatch(/[.]$/);
      const { answer } = question;
      if (answer.form === 'choice') answer.choices.forEach((_, i) => expect(isRight(question, i)).toBe(i === answer.right));
      if (answer.form === 'number') expect(isRight(question, answer.right + 1)).toBe(false);
      if (answer.form === 'tap') {
        expect(isRight(question, [...answer.right, -1])).toBe(false);
        if (answer.right.length > 0) expect(isRight(question, answer.right.slice(1))).toBe(false);
      }
    }
    for (const name of new Set(questions.map((one) => one.kind))) expect(questions.filter((one) => one.kind === name).length).toBeLessThanOrEqual(8);
  }
}); // prettier-ignore

test('papers out: those, and only those, of which every side is sewn by then', () => {
  const patches = rosette(2);
  const sheet = sheetOf(patches);
  const graph = buildSeamGraph(patches);
  const open = new Set(graph.openEdges.map(({ patch }) => patch));
  const questions = of(sheet, 'papers-out');
  expect(questions.length).toBe(8);
  for (const { answer, picture } of questions) {
    if (answer.form !== 'tap' || picture.shows !== 'block') throw new Error('no picture of the block');
    const unit = new Set(picture.held);
    const isSewn = (patch: number) => !open.has(patch) && graph.seamsOf[patch]!.every((seam) => graph.seams[seam]!.patches.every((one) => unit.has(one))); // prettier-ignore
    expect([...answer.right].sort()).toEqual(answer.among.filter(isSewn).sort());
  }
});

test('papers out are asked from three in the hand on; what is out already is not among them', () => {
  const join = (left: number[], right: number[], releases: number[]) => ({ kind: 'join', id: `${left}`, left, right, releases });
  const steps = [join([0], [1], []), join([0, 1], [2], [1]), join([0, 1, 2], [3], [])] as unknown as BlockSheet['steps'];
  const among = papersOutQuestions({ steps }).map(({ answer }) => answer.form === 'tap' && answer.among);
  expect(among).toEqual([
    [0, 1, 2],
    [0, 2, 3],
  ]);
}); // prettier-ignore

test('next seam: the right one can be sewn by then, the others cannot', () => {
  for (const kind of ['beams', 'grid', 'star'] as const) {
    const sheet = sheetOf(generate(defaultRecipe(kind)));
    for (const { answer, picture } of of(sheet, 'next-seam')) {
      if (answer.form !== 'choice' || picture.shows !== 'block') throw new Error('no choices');
      const done = new Set(sheet.steps.flatMap(({ id, kind: what }, at) => (at < picture.upTo || what === 'baste' ? [id] : []))); // prettier-ignore
      const said = sheet.steps.map(({ text }) => text.replace(/^Right sides together, s/, 'S'));
      const can = answer.choices.map(({ text }) => said.flatMap((one, at) => (one.startsWith(text) ? [waitsFor(sheet.steps, at, (id) => done.has(id)) === undefined] : []))); // prettier-ignore
      can.forEach((found, i) => expect(found.includes(true)).toBe(i === answer.right));
      answer.choices.forEach(({ why }, i) => {
        const step = Number(/^Not yet: step (\d+) makes/.exec(why)?.[1]);
        if (i !== answer.right) expect(done.has(sheet.steps[step - 1]!.id)).toBe(false);
      });
    }
  }
});

test('tails: the side folded first, or the tucked last one; clashes as the plan finds them', () => {
  let [first, tucked] = [0, 0];
  for (const kind of KINDS) {
    const sheet = sheetOf(generate(defaultRecipe(kind)));
    for (const { answer, reason, picture } of of(sheet, 'tail-way')) {
      if (answer.form !== 'choice' || picture.shows !== 'papers') throw new Error('no paper');
      const folds = answer.choices.map(({ text }) => Number(/\d+$/.exec(text)?.[0]));
      const [own, other] = [folds[answer.right]!, folds[1 - answer.right]!];
      if (reason.includes('slipped under')) {
        tucked += 1;
        expect([Math.min(...folds), own > other]).toEqual([1, true]);
      } else {
        first += 1;
        expect(own).toBeLessThan(other);
      }
    }
    const clashing = new Set(sheet.basting.clashes.map(({ patches }) => [...patches].sort().join()));
    for (const { answer, picture } of of(sheet, 'clash')) {
      if (answer.form !== 'choice' || picture.shows !== 'patches') throw new Error('no patches');
      const key = picture.patches.map((patch) => patch + 1).sort().join(); // prettier-ignore
      if (answer.right === 0) expect(clashing).toContain(key);
      else
        expect(sheet.basting.clashes.every(({ patches }) => [...patches].sort().join() !== key)).toBe(true);
    }
  }
  expect([first > 10, tucked > 2]).toEqual([true, true]);
});

/** Whether one outline lies on another by turning alone: the same sides and corners, clockwise from some corner on. */
function liesOn(a: Outline, b: Outline): boolean {
  const round = (outline: Outline) => edgesOf(outline).map((edge, i) => `${edgeLength(edge).toFixed(2)}/${cornerAngles(outline)[i]!.toFixed(1)}`); // prettier-ignore
  const [one, other] = [round(a), round(b)];
  return one.some((_, from) => [...one.slice(from), ...one.slice(0, from)].join() === other.join());
}

test('turned over: three papers lie on each other by turning alone, the fourth on none', () => {
  const { kinds, patches } = sheetOf(generate(defaultRecipe('beams')));
  const handed = patches.find(({ hand }) => hand !== 'none')!;
  // One kind for each place that may be the right one.
  const four = [0, 1, 2, 3].map((kind) => ({
    kinds: { ...kinds[handed.kind]!, id: `${kind}` },
    patches: { ...handed, kind },
  }));
  const made = turnedOverQuestions({
    kinds: four.map((one) => one.kinds),
    patches: four.map((one) => one.patches),
  });
  expect(made.map(rightOf)).toEqual([0, 1, 2, 3]);
  const questions = of(sheetOf(generate(defaultRecipe('beams'))), 'turned-over');
  expect(questions.length).toBeGreaterThan(0);
  for (const { answer, picture } of [
    ...made,
    ...questions.map((question) => shuffled(question, chanceFrom(3))),
  ]) {
    if (answer.form !== 'choice' || picture.shows !== 'papers') throw new Error('no papers');
    const [good] = picture.papers.filter((_, i) => i !== answer.right);
    picture.papers.forEach(({ outline }, i) => {
      expect(liesOn(good!.outline, outline)).toBe(i !== answer.right);
    });
  }
  expect(of(sheetOf(rosette(1)), 'turned-over')).toEqual([]);
});

test('papers change places by chance: each place comes to be the right one, and the reason names it', () => {
  const [question] = of(sheetOf(generate(defaultRecipe('beams'))), 'turned-over');
  const places = new Set<number>();
  for (let seed = 0; seed < 60; seed++) {
    const { answer, reason } = shuffled(question!, chanceFrom(seed));
    if (answer.form !== 'choice') throw new Error('no choices');
    places.add(answer.right);
    expect(reason.startsWith(`Paper ${answer.right + 1}:`)).toBe(true);
  }
  expect(places.size).toBe(4);
});

test('rings: six, twelve and eighteen hexagons; fourteen blades; none where nothing turns', () => {
  const counts = (patches: Parameters<typeof plannedSheet>[0]) => of(sheetOf(patches), 'ring-count').map(({ answer }) => answer.right); // prettier-ignore
  expect(counts(rosette(3))).toEqual([6, 12, 18]);
  expect(of(sheetOf(rosette(3)), 'ring-count').map(({ asks }) => asks)).toEqual(
    [1, 2, 3].map((ring) => `How many papers does ring ${ring} need, counted from the middle?`),
  );
  expect(of(sheetOf(rosette(2)), 'ring-count').map(({ reason }) => reason)).toEqual([
    'It lies round 1 paper and turns onto itself 6 times: 6, which is 1 for each sixth of the ring.',
    'It lies round 6 papers and turns onto itself 6 times: 12, which is 2 for each sixth of the ring.',
  ]);
  expect(counts(plate(14))).toEqual([14]);
  // Round a middle with so many sides, a square on each.
  const square = makePaper({ family: 'regular', sides: 4, edgeMm: 25 });
  for (const [sides, part] of [
    [8, '1 for each eighth of'],
    [12, '1 for each 12th part of'],
  ] as const) {
    const middle = makePaper({ family: 'regular', sides, edgeMm: 25 });
    const round = edgesOf(middle).map((edge, i) => ({
      ...patch(i + 1, []),
      outline: moveOutline(layAgainst(edgesOf(square)[0]!, edge), square),
    }));
    const [ring] = of(sheetOf([{ ...patch(0, []), outline: middle }, ...round]), 'ring-count');
    expect(ring?.reason).toContain(part);
  }
  expect(counts(generate(defaultRecipe('clamshell')))).toEqual([]);
});

test('what is missed comes again after three others, what is known ever later; no question twice in a row', () => {
  const questions = practiceQuestions(sheetOf(rosette(2)));
  fc.assert(
    fc.property(fc.array(fc.boolean(), { minLength: 20, maxLength: 60 }), fc.nat(), (answers, seed) => {
      const chance = chanceFrom(seed);
      let session = NEW_SESSION;
      let last: string | undefined;
      const missedAt = new Map<string, number>();
      answers.forEach((isCorrect, at) => {
        const question = nextQuestion(questions, session, chance, last)!;
        expect(question.id).not.toBe(last);
        const since = missedAt.get(question.id);
        if (since !== undefined) expect(at - since).toBeGreaterThan(3);
        // Whatever has waited long enough is asked before anything new.
        if (!session.standings[question.id]) for (const [id, when] of missedAt) if (id !== last) expect(at - when).toBeLessThanOrEqual(3);
        session = answered(session, question.id, isCorrect);
        if (isCorrect) missedAt.delete(question.id);
        else missedAt.set(question.id, at);
        last = question.id;
      });
      expect(session.count).toBe(answers.length);
      const sums = Object.values(session.standings);
      expect([sums.reduce((sum, { asked }) => sum + asked, 0), sums.reduce((sum, { missed }) => sum + missed, 0)]).toEqual([answers.length, answers.filter((one) => !one).length]);
      expect(scoreOf(questions, session).known).toBe(Object.values(session.standings).filter(({ box }) => box > 0).length);
    }),
    { numRuns: 40 },
  );
  expect(nextQuestion([], NEW_SESSION, () => 0)).toBeUndefined();
}); // prettier-ignore

test('until everything was asked once, kinds come in turn', () => {
  const questions = practiceQuestions(sheetOf(generate(defaultRecipe('beams'))));
  const kinds = new Set(questions.map(({ kind }) => kind));
  let session = NEW_SESSION;
  const asked: string[] = [];
  for (let i = 0; i < kinds.size; i++) {
    const question = nextQuestion(questions, session, chanceFrom(i), undefined)!;
    asked.push(question.kind);
    session = answered(session, question.id, true);
  }
  expect(new Set(asked).size).toBe(kinds.size);
  expect(kinds.size).toBeGreaterThan(3);
});

test('answers in another order are the same answers', () => {
  for (const question of practiceQuestions(sheetOf(generate(defaultRecipe('beams'))))) {
    const other = shuffled(question, chanceFrom(11));
    const [a, b] = [question.answer, other.answer];
    if (a.form !== 'choice' || b.form !== 'choice' || question.kind === 'turned-over') continue;
    expect(b.choices[b.right]).toEqual(a.choices[a.right]);
    expect([...b.choices].map(({ text }) => text).sort()).toEqual(
      [...a.choices].map(({ text }) => text).sort(),
    );
  }
});

test('taught next is what at least three answers miss in two of five, the worst first; what is asked no more is left out', () => {
  const [a, b, c, d] = practiceQuestions(sheetOf(rosette(2)));
  const count = (question: string, asked: number, missed: number) => ({ question, asked, missed });
  const counts = [count(a!.id, 10, 4), count(b!.id, 2, 2), count(c!.id, 5, 1), count(d!.id, 3, 3), count('gone', 9, 9)];
  expect(teachNext([a!, b!, c!, d!], counts).map(({ question }) => question)).toEqual([d!.id, a!.id]);
  expect(teachNext([a!], [count(a!.id, 10, 3)])).toEqual([]);
}); // prettier-ignore
