import { appendFileSync } from 'node:fs';

/** The sign of one constant that is reckoned when its file is read: how to reckon it anew when a slip in it is switched on or off. */
interface Constant {
  readonly ids: readonly number[];
  readonly again: () => void;
}

/** Thrown where a slip is passed after its time is up: it goes on for ever. */
export class TooLong extends Error {}

/**
 * The switches of slips built into sources (`withSwitches`): which one is on, and which are passed while one looks.
 * One for each worker, under `globalThis.__slips`.
 */
export class Switchboard {
  /** Numbers of the switches, and names of the constants, passed since this was last emptied. */
  readonly passed = new Set<number>();
  readonly read = new Set<string>();
  private readonly constants: Constant[] = [];
  private on = -1;
  private deadline = Infinity;
  private calls = 0;

  /** Switches one slip on until it is switched off. */
  turnOn(id: number, deadline: number): void {
    [this.on, this.deadline, this.calls] = [id, deadline, 0];
    this.reckonAnew(id);
  }

  turnOff(): void {
    const was = this.on;
    [this.on, this.deadline] = [-1, Infinity];
    this.reckonAnew(was);
  }

  is(id: number): boolean {
    this.passed.add(id);
    if (id !== this.on) return false;
    if ((++this.calls & 255) === 0 && performance.now() > this.deadline) throw new TooLong('takes too long');
    return true;
  }

  either(isOn: boolean, sign: string, other: string, left: unknown, right: unknown): unknown {
    return CALCULATED[isOn ? other : sign]?.(left as never, right as never);
  }

  constant<T>(ids: readonly number[], reckon: () => T, keep: (value: T) => void): T {
    this.constants.push({ ids, again: () => keep(reckon()) });
    return reckon();
  }

  reads<T>(name: string, value: T): T {
    this.read.add(name);
    return value;
  }

  private reckonAnew(id: number): void {
    for (const { ids, again } of this.constants) if (ids.includes(id)) again();
  }
}

type Calculation = (left: never, right: never) => unknown;

const CALCULATED: Readonly<Record<string, Calculation>> = {
  '<': (a: number, b: number) => a < b,
  '<=': (a: number, b: number) => a <= b,
  '>': (a: number, b: number) => a > b,
  '>=': (a: number, b: number) => a >= b,
  '===': (a: unknown, b: unknown) => a === b,
  '!==': (a: unknown, b: unknown) => a !== b,
  '+': (a: number, b: number) => a + b,
  '-': (a: number, b: number) => a - b,
  '*': (a: number, b: number) => a * b,
  '/': (a: number, b: number) => a / b,
  '&&': (a: () => unknown, b: () => unknown) => a() && b(),
  '||': (a: () => unknown, b: () => unknown) => a() || b(),
};

declare global {
  var __slips: Switchboard;
}

/** Writes one line of what came of it, for `mutate` to read. */
export function tell(file: string, line: Readonly<Record<string, unknown>>): void {
  appendFileSync(file, `${JSON.stringify(line)}\n`);
}
