import { readFileSync } from 'node:fs';
import path from 'node:path';
import { TestRunner, type RunnerTask, type RunnerTestCase } from 'vitest';
import { ROOT } from '../places';
import { Switchboard, tell } from './switchboard';

const { KEVLO_SLIPS_TOLD: TOLD = '', KEVLO_SLIPS_PLAN, KEVLO_SLIPS_ON } = process.env;

/** What one try may take beyond three times what the test takes as it is. */
const PATIENCE_MS = 5_000;

// Before any source is read: they ask it from their first line on.
globalThis.__slips ??= new Switchboard();
if (KEVLO_SLIPS_ON) globalThis.__slips.turnOn(Number(KEVLO_SLIPS_ON), Infinity);

/** A test that is run again and again, as it is and with one slip after another. */
interface Tries {
  readonly left: number[];
  /** What is tried now: the test as it is, the slip of a number, or nothing any more. */
  now: number | 'as it is' | 'nothing';
  /** The slip with which the test failed, until it has passed again as it is. */
  suspect?: number | undefined;
  /** How long the test takes as it is. */
  tookMs: number;
  begunAt: number;
}

/**
 * Runs tests once each and tells which switches each passes; or, with a plan (slips by test), each test with every slip of its
 * plan. A slip is noticed by a test that fails with it and passes again without it.
 */
export default class SlipRunner extends TestRunner {
  private readonly plan: Readonly<Record<string, readonly number[]>> | undefined = KEVLO_SLIPS_PLAN
    ? (JSON.parse(readFileSync(KEVLO_SLIPS_PLAN, 'utf8')) as Record<string, number[]>)
    : undefined;
  private readonly noticed = new Set<number>();
  private tries: Tries | undefined;
  private begunAt = 0;

  override onBeforeRunTask(test: RunnerTask): Promise<void> {
    this.begunAt = performance.now();
    this.tries = undefined;
    if (this.plan) {
      const left = (this.plan[nameOf(test)] ?? []).filter((id) => !this.noticed.has(id));
      if (left.length === 0) test.mode = 'skip';
      else this.tries = { left, now: 'as it is', tookMs: 0, begunAt: 0 };
      // Each slip may want the test as it is after it.
      test.repeats = 2 * left.length;
    } else if (!KEVLO_SLIPS_ON) {
      // What was passed since the last test was passed while files were read.
      this.tellPassed({ file: fileOf(test) });
    }
    return super.onBeforeRunTask(test);
  }

  override onBeforeTryTask(test: RunnerTask): void {
    const { tries } = this;
    super.onBeforeTryTask(test);
    if (!tries) return;
    if (tries.now === 'nothing') throw new Error('Nothing more to try.');
    tries.begunAt = performance.now();
    if (tries.now === 'as it is') return;
    tell(TOLD, { begun: tries.now, test: nameOf(test) });
    globalThis.__slips.turnOn(tries.now, tries.begunAt + 3 * tries.tookMs + PATIENCE_MS);
  }

  onAfterRetryTask(test: RunnerTestCase): void {
    if (!this.tries || !test.result) return;
    globalThis.__slips.turnOff();
    this.judge(test, this.tries, test.result.state !== 'fail');
    test.result.state = 'pass';
    delete test.result.errors;
  }

  /** What a try says, and what is tried next. */
  private judge(test: RunnerTask, tries: Tries, hasPassed: boolean): void {
    if (tries.now === 'nothing') return;
    if (tries.now !== 'as it is' && !hasPassed) {
      tries.suspect = tries.now;
      tries.now = 'as it is';
      return;
    }
    if (tries.now !== 'as it is') tell(TOLD, { passed: tries.now, test: nameOf(test) });
    else if (!hasPassed) {
      // It does not pass twice: what it says of slips is worth nothing.
      tries.now = 'nothing';
      return;
    } else {
      tries.tookMs ||= performance.now() - tries.begunAt;
      if (tries.suspect !== undefined) {
        this.noticed.add(tries.suspect);
        tell(TOLD, { noticed: tries.suspect, test: nameOf(test) });
      }
      tries.suspect = undefined;
    }
    tries.now = tries.left.shift() ?? 'nothing';
  }

  override onAfterRunTask(test: RunnerTask): void {
    super.onAfterRunTask(test);
    if (this.plan || KEVLO_SLIPS_ON || test.mode === 'skip') return;
    const tookMs = Math.round(performance.now() - this.begunAt);
    this.tellPassed({
      test: nameOf(test),
      file: fileOf(test),
      hasFailed: test.result?.state === 'fail',
      tookMs,
    });
  }

  private tellPassed(what: Readonly<Record<string, unknown>>): void {
    const { passed, read } = globalThis.__slips;
    if (passed.size + read.size > 0 || what.hasFailed === true)
      tell(TOLD, { ...what, passed: [...passed], read: [...read] });
    passed.clear();
    read.clear();
  }
}

function fileOf(test: RunnerTask): string {
  return path.relative(ROOT, test.file.filepath);
}

/** The file and full name of a test. */
export function nameOf(test: RunnerTask): string {
  let { name } = test;
  for (let { suite } = test; suite; { suite } = suite) name = `${suite.name} ${name}`;
  return `${fileOf(test)}|${name}`;
}
