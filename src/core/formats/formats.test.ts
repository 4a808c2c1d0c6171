import fc from 'fast-check';
import { expect, test } from 'vitest';
import { pacedTime } from '../testing';
import { areaOf, boxOf, directionAt, edgeLength, locate, turnDegrees } from '../geometry';
import { importSvg, planDocument, type ImportOptions } from '.';
import { arcsOfCurve } from './svg/curveArcs';

const svg = (body: string, head = 'width="200mm" height="200mm" viewBox="0 0 200 200"') =>
  `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" ${head}>${body}</svg>`;

const read = (body: string, head?: string, options?: ImportOptions) => importSvg(svg(body, head), options);

function sizes(body: string, head?: string): string[] {
  return read(body, head).patches.map(({ outline }) => {
    const { minX, minY, maxX, maxY } = boxOf(outline);
    return [minX, minY, maxX - minX, maxY - minY].map((value) => Math.round(value * 1000) / 1000).join(' ');
  });
}

test.each([
  ['mm', 'width="200mm" height="200mm" viewBox="0 0 200 200"', '10 20 30 40'],
  ['cm, half scale', 'width="10cm" height="10cm" viewBox="0 0 200 200"', '5 10 15 20'],
  ['inches', 'width="2in" height="2in" viewBox="0 0 2 2"', '254 508 762 1016'],
  ['a view box that starts elsewhere', 'width="200mm" height="200mm" viewBox="10 20 200 200"', '0 0 30 40'],
  ['the smaller scale of two', 'width="400mm" height="200mm" viewBox="0 0 200 200"', '10 20 30 40'],
  ['px as 1/96 inch', 'width="96px" height="96px" viewBox="0 0 25.4 25.4"', '10 20 30 40'],
])('takes true size from %s', (_, head, size) => {
  expect(sizes('<rect id="r" x="10" y="20" width="30" height="40"/>', head)).toEqual([size]);
});

test('applies groups and transforms, in order, and turns mirrored shapes clockwise again', () => {
  const body = '<g transform="translate(100,0)"><g transform="rotate(90)"><rect x="0" y="0" width="30" height="40" transform="scale(-1 1) translate(-30 0)"/></g></g>';
  expect(sizes(body)).toEqual(['60 0 40 30']);
  expect(areaOf(read(body).patches[0]!.outline)).toBeCloseTo(1200, 6);
}); // prettier-ignore

test('any chain of transforms moves a drawing as it moves its points', () => {
  const angle = fc.integer({ min: -180, max: 180 });
  const far = fc.integer({ min: -90, max: 90 });
  const rad = (degrees: number) => (degrees * Math.PI) / 180;
  type Step = readonly [string, (x: number, y: number) => readonly [number, number]];
  const turn = (degrees: number, x: number, y: number, cx = 0, cy = 0) => {
    const [sin, cos] = [Math.sin(rad(degrees)), Math.cos(rad(degrees))];
    return [cx + (x - cx) * cos - (y - cy) * sin, cy + (x - cx) * sin + (y - cy) * cos] as const;
  };
  const step = fc.oneof(
    fc.tuple(far, far).map(([dx, dy]): Step => [`translate(${dx} ${dy})`, (x, y) => [x + dx, y + dy]]),
    far.map((dx): Step => [`translate(${dx})`, (x, y) => [x + dx, y]]),
    angle.map((by): Step => [`rotate(${by})`, (x, y) => turn(by, x, y)]),
    fc.tuple(angle, far, far).map(([by, cx, cy]): Step => [`rotate(${by}, ${cx}, ${cy})`, (x, y) => turn(by, x, y, cx, cy)]),
    fc.constantFrom<Step>(['scale(2)', (x, y) => [2 * x, 2 * y]], ['scale(-1,1)', (x, y) => [-x, y]], ['scale(.5 -2)', (x, y) => [x / 2, -2 * y]]),
    fc.integer({ min: -50, max: 50 }).map((by): Step => [`skewX(${by})`, (x, y) => [x + Math.tan(rad(by)) * y, y]]),
    fc.integer({ min: -50, max: 50 }).map((by): Step => [`skewY(${by})`, (x, y) => [x, y + Math.tan(rad(by)) * x]]),
    fc.constant<Step>(['matrix(1 0.5 -0.25 1 3 4)', (x, y) => [x - 0.25 * y + 3, 0.5 * x + y + 4]]),
  );
  fc.assert(
    fc.property(fc.array(step, { minLength: 1, maxLength: 5 }), (steps) => {
      const text = steps.map(([own]) => own).join(', ');
      const { patches, faults } = read(`<polygon points="0,0 60,0 0,40" transform="${text}"/>`);
      expect(faults).toEqual([]);
      const wanted = ([[0, 0], [60, 0], [0, 40]] as const).map(([x, y]) => steps.reduceRight<readonly [number, number]>((at, [, go]) => go(...at), [x, y]));
      // Clockwise again after mirroring: the corners are the same, perhaps the other way round.
      const { corners } = patches[0]!.outline;
      const size = Math.max(...wanted.flat().map(Math.abs));
      for (const [x, y] of wanted) expect(Math.min(...corners.map((one) => Math.hypot(one.x - x, one.y - y)))).toBeLessThan(1e-6 * size + 1e-3);
    }),
  );
}); // prettier-ignore

test('reads every kind of shape, ids, cloth and layers', () => {
  const { patches, problems, faults } = read(`
    <style>.tar { fill: #222 }</style>
    <g data-fabric="Woad" data-layer="1">
      <polygon id="p" points="0,0 30,0 0,30"/>
      <circle id="c" cx="60" cy="20" r="15" data-fabric="Rope"/>
    </g>
    <polyline id="l" class="tar" points="0,50 30,50 30,80 0,80 0,50"/>
    <path id="a" fill="none" d="M100 0h30a30 30 0 0 1 -30 30z"/>
    <rect id="r" rx="5" x="100" y="100" width="40" height="40" style="fill: #ABC"/>
    <defs><rect id="hidden" width="40" height="40"/></defs>
    <use id="u" href="#hidden" x="150" y="150"/>
    <rect id="gone" display="none" width="40" height="40"/>`);
  expect([problems, faults]).toEqual([[], []]);
  expect(patches.map(({ id, fabric, layer }) => `${id} ${fabric} ${layer}`)).toEqual(['p Woad 1', 'c Rope 1', 'l #222 0', 'a plain 0', 'r #abc 0', 'u-hidden plain 0']); // prettier-ignore
  const area = (id: string) => areaOf(patches.find((patch) => patch.id === id)!.outline);
  expect(area('c')).toBeCloseTo(Math.PI * 225, 3);
  expect(area('a')).toBeCloseTo((Math.PI * 900) / 4, 3);
  expect(area('r')).toBeCloseTo(1600 - 100 + Math.PI * 25, 3);
});

test('a path of several outlines is several patches, also when one nestles in the notch of another', () => {
  const { patches, faults } = read('<path id="x" d="M0 0H40V20H20V40H0ZM20 20H40V40H20Z"/>');
  expect([patches.map(({ id }) => id), faults]).toEqual([['x.1', 'x.2'], []]);
});

test('drops corners that are none: repeated points and points on straight sides', () => {
  const [patch] = read('<polygon points="0,0 15,0 30,0 30,0 30,30 0,30 0,15 0,0"/>').patches;
  expect(patch?.outline.corners).toHaveLength(4);
});

const nested = `${'<g>'.repeat(300)}<rect width="9" height="9"/>${'</g>'.repeat(300)}`;

test.each([
  ['script', svg('<script>alert(1)</script>')],
  ['script', svg('<rect width="9" height="9" onload="alert(1)"/>')],
  ['script', svg('<foreignObject><p/></foreignObject>')],
  ['external-reference', svg('<image href="http://elsewhere.example/a.png"/>')],
  ['external-reference', svg('<use xlink:href="other.svg#a"/>')],
  ['external-reference', svg('<rect width="9" height="9" style="fill:url(http://elsewhere.example/a)"/>')],
  ['external-reference', svg('<style>@import "a.css";</style>')],
  ['external-reference', `<?xml-stylesheet href="a.css"?>${svg('')}`],
  ['entities', `<!DOCTYPE svg [<!ENTITY a "b">]>${svg('')}`],
  ['broken-xml', svg('<rect width="&a;"/>')],
  ['broken-xml', '<svg'],
  ['too-deep', svg(nested)],
  ['too-large', svg(' '.repeat(13_000_000))],
  ['no-physical-size', svg('<rect width="9" height="9"/>', 'viewBox="0 0 9 9"')],
  ['no-physical-size', svg('<rect width="9" height="9"/>', 'width="100%" height="100%" viewBox="0 0 9 9"')],
  ['no-physical-size', svg('<rect width="9" height="9"/>', 'width="200" height="200" viewBox="0 0 9 9"')],
  ['bad-view-box', svg('<rect width="9" height="9"/>', 'width="9mm" height="9mm" viewBox="0 0 NaN 9"')],
  ['bad-view-box', svg('<rect width="9" height="9"/>', 'width="9mm" height="9mm" viewBox="0 0 0 9"')],
  ['bad-view-box', svg('<rect width="9" height="9"/>', 'width="9mm" height="9mm" viewBox="0 0 9 0"')],
  ['no-patches', svg('<text x="1" y="9">A</text>')],
  ['not-svg', '<html/>'],
])('refuses a drawing as a whole: %s', (code, text) => {
  expect(() => importSvg(text)).toThrow(
    expect.objectContaining({ code, mend: expect.stringMatching(/\.$/) }),
  );
});

test('of a drawing without a size it is said what is there and what is wanted', () => {
  const mend = (head: string) => {
    try {
      importSvg(svg('<rect width="9" height="9"/>', head));
    } catch (error) {
      return (error as { mend: string }).mend;
    }
    return '';
  };
  expect(mend('viewBox="0 0 9 9"')).toContain(
    'its svg element at line 1 has only viewBox="0 0 9 9"; it wants',
  );
  expect(mend('width="100%" viewBox="0 0 9 9"')).toContain(
    'has only width="100%" viewBox="0 0 9 9"; it wants',
  );
  expect(mend('')).toContain('at line 1 has none of width, height and viewBox; it wants');
});

test('texts made to keep a reader busy are refused in no time', async () => {
  const long = 'a'.repeat(3_000_000);
  const bodies = [
    `<style>${'/*'.repeat(1_000_000)}</style>`,
    `<rect width="${'1'.repeat(3_000_000)}x" height="9"/>`,
    `<rect width="9" height="9" transform="${long}"/>`,
    `<rect width="9" height="9" style="fill:url(${' '.repeat(3_000_000)}http:"/>`,
    `<g id="a">${'<use href="#b"/>'.repeat(40)}</g><g id="b">${'<use href="#c"/>'.repeat(40)}</g><g id="c">${'<use href="#d"/>'.repeat(40)}</g><g id="d"/><use href="#a"/>`,
    `<g id="a"><use href="#a"/></g>`,
  ];
  const refusedOrFaulty = (body: string) => () => {
    if (read(body).faults.length > 0) throw new Error('faulty');
  };
  const ms = await pacedTime(
    () => bodies.forEach((body) => expect(refusedOrFaulty(body)).toThrow()),
    () => performance.now(),
  );
  expect(ms).toBeLessThan(5000);
});

test('takes a width given by hand for a drawing without a size', () => {
  expect(read('<rect width="100" height="50"/>', 'viewBox="0 0 200 200"', { widthMm: 400 }).widthMm).toBe(
    400,
  );
});

test.each([
  ['crosses or touches itself', '<path id="x" d="M0 0C60 40 -20 40 40 0L40 -20L0 -20Z"/>'],
  ['not a number', '<polygon id="x" points="0,0 NaN,0 0,30"/>'],
  ['cannot be read', '<path id="x" d="M0 0 L nonsense"/>'],
  ['has no size', '<rect id="x" width="0" height="30"/>'],
  ['has no size to speak of', '<polygon id="x" points="0,0 30,0 60,0"/>'],
  ['crosses or touches itself', '<polygon id="x" points="0,0 30,30 30,0 0,30"/>'],
  ['has a hole', '<path id="x" d="M0 0H90V90H0ZM30 30H60V60H30Z"/>'],
  ['cannot be read', '<rect id="x" width="9" height="9" transform="rotate(NaN)"/>'],
  ['data-layer', '<rect id="x" width="9" height="9" data-layer="top"/>'],
  ['further than 50 m', '<rect id="x" width="1e9" height="9"/>'],
  ['has an odd number of coordinates', '<polygon id="x" points="0,0 30,0 30"/>'],
  ['coordinate 4 is not a number', '<polygon id="x" points="0,0 30,y 30,9"/>'],
  ['has a size or place that is not a number', '<rect id="x" width="wide" height="9"/>'],
  ['has a size or place that is not a number', '<circle id="x" cx="left" r="9"/>'],
  ['radius 0', '<ellipse id="x" rx="9" ry="0"/>'],
  ['has no points', '<polygon id="x" points=""/>'],
  ['is longer than', `<path id="x" d="M0 0H9V9Z${' '.repeat(1_100_000)}"/>`],
  ['is a drawing inside the drawing', '<svg id="x"><rect width="9" height="9"/></svg>'],
  ['repeats a shape that is not there', '<use id="x" href="#gone"/>'],
])('names a shape that %s', (what, body) => {
  const { faults } = read(`<rect id="good" x="100" y="100" width="20" height="20"/>${body}`);
  expect(faults.map(({ shape }) => shape)).toEqual(['x']);
  expect(faults[0]?.message).toContain(what);
});

test('what is wrong is marked where it stands, copies and groups reckoned in', () => {
  const body = '<rect x="15" y="20" width="0" height="9"/><g transform="matrix(2 0 0 3 10 20)"><circle cx="4" cy="5" r="0"/><text x="3" y="4">A</text><use href="#gone" x="7" y="9"/></g><defs><g id="a"><line x1="1" y1="2" x2="9" y2="2"/></g></defs><use href="#a" x="30" y="40"/>';
  const { faults, problems } = read(body);
  expect(faults.map(({ at }) => at)).toEqual([{ x: 15, y: 20 }, { x: 18, y: 35 }, { x: 24, y: 47 }]);
  const [words, line] = problems;
  expect(words).toMatchObject({ code: 'text', at: { x: 16, y: 32 } });
  expect(line).toMatchObject({ code: 'open-outline', at: { x: 31, y: 42 } });
}); // prettier-ignore

test('reports text, pictures and open lines without refusing the rest', () => {
  const { problems, patches } = read('<text>A</text><image href="data:image/png;base64,AA"/><polyline points="0,0 9,0 9,9"/><rect width="9" height="9"/>');
  expect(problems.map(({ code }) => code)).toEqual(['text', 'image', 'open-outline']);
  expect(patches).toHaveLength(1);
}); // prettier-ignore

test('the plan document is complete, and the same for the same drawing', () => {
  const { patches, problems } = read('<rect id="a" width="50.8" height="50.8"/><rect id="b" x="50.8" width="50.8" height="50.8"/>');
  const make = () => planDocument(patches, problems, { allowanceMm: 6.35, system: 'inch' });
  const document = make();
  expect(JSON.stringify(make())).toBe(JSON.stringify(document));
  expect(document.kinds).toMatchObject([{ id: 'k1', name: '2″ square', count: 2, edgesMm: [50.8, 50.8, 50.8, 50.8] }]);
  expect(document.assembly.joins).toMatchObject([{ left: ['a'], right: ['b'], chains: 1, bends: 0, lengthMm: 50.8, releases: [] }]);
  expect(document.openEdges).toHaveLength(6);
  expect(document.papers).toEqual([{ kind: 'k1', uses: 2, peakInUse: 2, needed: 2 }]);
}); // prettier-ignore

test('a block without patches has a plan document too: nothing to sew, no order to compare', () => {
  const { assembly, patches, seams } = planDocument([], [], { allowanceMm: 6.35, system: 'inch' });
  expect([patches, seams, assembly.joins, assembly.schools]).toEqual([[], [], [], []]);
  expect(assembly.totals).toMatchObject({ joins: 0, threadStarts: 0, threadStartsBound: 0, minutes: 0 });
});

test('the plan document says what is to be minded within each join, and tells the whole work as one stream', () => {
  // A row of four 2″ squares above a strip: the last join is a long run with an end, a middle and another end.
  const row = [0, 1, 2, 3].map((i) => `<rect id="s${i}" x="${i * 60}" width="60" height="60" data-fabric="#fff"/>`);
  const { patches } = read(`${row.join('')}<rect id="strip" y="60" width="240" height="40" data-fabric="#123"/>`, 'width="240mm" height="100mm" viewBox="0 0 240 100"');
  const plan = planDocument(patches, [], { allowanceMm: 6.35, system: 'metric', school: 'rows', policy: 'just-in-time' });
  const long = plan.assembly.joins.find(({ lengthMm }) => lengthMm === 240)!;
  const [run] = long.runs;
  expect(long.runs).toHaveLength(1);
  expect(run?.knots.map(([x]) => x).sort((a, b) => a - b)).toEqual([0, 60, 120, 180, 240]);
  expect(run?.locks.map(([x]) => x).sort((a, b) => a - b)).toEqual([30, 90, 150, 210]);
  expect(run?.crossing).toEqual([120, 60]);
  expect(long.thread).toMatchObject({ cloths: ['#123', '#fff'], match: '#fff', needlefuls: 1 });
  expect(long.check).toEqual({ acrossMm: 100, longMm: 240, meeting: [3, 3, 3], tails: 'none' });
  // Every join names what it is made from: a patch, or what an earlier join makes.
  const known = new Set(plan.patches.map(({ id }) => id));
  for (const { from, makes } of plan.assembly.joins) {
    expect(from.every((unit) => known.has(unit))).toBe(true);
    known.add(makes);
  }
  expect(plan.policy).toBe('just-in-time');
  expect(plan.steps[0]).toMatchObject({ kind: 'baste' });
  expect(plan.steps.flatMap((step) => ('join' in step ? [step.join] : []))).toEqual(plan.assembly.joins.map(({ id }) => id));
  const { basting, joining } = plan.minutes;
  expect(basting + joining).toBeCloseTo(plan.steps.reduce((sum, { minutes }) => sum + minutes, 0), 5);
  expect(plan.kinds[0]?.basting.methods[0]?.method).toBe(plan.kinds[0]?.basting.method);
}); // prettier-ignore

test('circles, clamshells and ovals drawn with curves become circular arcs', () => {
  // A quarter of a circle as drawing programs write it: 0.027 % of the radius off the true one.
  const k = 0.5522847498;
  const quarter = (r: number) => `c0 ${-k * r} ${r - k * r} ${-r} ${r} ${-r}`;
  const half = (r: number) => `${quarter(r)}c${k * r} 0 ${r} ${r - k * r} ${r} ${r}`;
  const other = (r: number) => `c0 ${k * r} ${k * r - r} ${r} ${-r} ${r}c${-k * r} 0 ${-r} ${k * r - r} ${-r} ${-r}`;
  for (const r of [6, 30, 120]) {
    const [circle] = read(`<path d="M20 150${half(r)}${other(r)}Z"/>`).patches;
    expect(circle?.outline.bulges.map((bulge) => Math.round(bulge * 1000) / 1000)).toEqual([1, 1]);
    expect(areaOf(circle!.outline)).toBeCloseTo(Math.PI * r * r, r > 100 ? -2 : 0);
  }
  const [shell] = read('<path d="M20 60C20 32.39 42.39 10 70 10C97.61 10 120 32.39 120 60A50 50 0 0 0 70 110A50 50 0 0 0 20 60Z"/>').patches;
  expect(shell?.outline.corners).toHaveLength(3);
  const [oval] = read('<ellipse cx="60" cy="60" rx="50" ry="25"/>').patches;
  expect(areaOf(oval!.outline)).toBeCloseTo(Math.PI * 50 * 25, -1);
}); // prettier-ignore

test('any curve without a cusp becomes arcs that lie within 0.1 mm of it and run on smoothly', () => {
  const place = fc.record({ x: fc.integer({ min: 0, max: 90 }), y: fc.integer({ min: 0, max: 90 }) });
  fc.assert(
    fc.property(place, place, (p, q) => {
      // Handles that leave upwards and arrive downwards: no loop.
      const curve = [{ x: 0, y: 0 }, { x: p.x, y: -p.y - 5 }, { x: 95 + q.x, y: -q.y - 5 }, { x: 100, y: 0 }] as const;
      const sides = arcsOfCurve(curve);
      if (!sides) return;
      for (let share = 0; share <= 1; share += 0.01) {
        const r = 1 - share;
        const at = (of: 'x' | 'y') => curve[0][of] * r ** 3 + 3 * curve[1][of] * r * r * share + 3 * curve[2][of] * r * share * share + curve[3][of] * share ** 3;
        const off = Math.min(...sides.map((side) => locate(side, { x: at('x'), y: at('y') }).off));
        expect(off).toBeLessThan(0.13);
      }
      sides.slice(1).forEach((side, i) => {
        const before = sides[i]!;
        expect(turnDegrees(directionAt(before, edgeLength(before)), directionAt(side, 0))).toBeLessThan(1);
      });
    }),
  );
}); // prettier-ignore
