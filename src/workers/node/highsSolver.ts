import highs from 'highs';
import type { Solved, Solver, WholeProblem } from '@/core/solver';

/** Loads the HiGHS solver (WebAssembly, about a tenth of a second). */
export async function loadSolver(): Promise<Solver> {
  const { solve } = await highs();
  const run = (problem: WholeProblem, isWhole: boolean, seconds: number) =>
    solve(asText(problem, isWhole), { time_limit: seconds, mip_rel_gap: 0, output_flag: false });
  return {
    solve: (problem, seconds): Solved => {
      if (problem.gains.length === 0) return { isProven: true, isImpossible: false, values: [] };
      const { Status: status, Columns: columns } = run(problem, true, seconds);
      const values = problem.gains.map((_, index) => (columns[`x${index}`] as { Primal?: number } | undefined)?.Primal);
      const isFound = values.every((value) => value !== undefined && Number.isFinite(value)) && keeps(problem, values.map(Number));
      return { isProven: status === 'Optimal' && isFound, isImpossible: status === 'Infeasible', values: isFound ? values.map((value) => Math.round(Number(value))) : undefined };
    },
    bound: (problem, seconds) => {
      if (problem.gains.length === 0) return 0;
      const { Status: status, ObjectiveValue: sum } = run(problem, false, seconds);
      return status === 'Optimal' ? sum : mostOf(problem);
    },
  };
} // prettier-ignore

/** What no solution exceeds whatever the limits are. */
const mostOf = ({ gains, upper }: WholeProblem) =>
  gains.reduce((sum, gain, index) => sum + Math.max(0, gain) * (upper?.[index] ?? 1), 0);

/** Whether values that a stopped search left behind keep all limits. */
function keeps({ limits }: WholeProblem, values: readonly number[]): boolean {
  return limits.every(({ variables, weights, most, isExact }) => {
    const sum = variables.reduce(
      (total, index, k) => total + (weights?.[k] ?? 1) * Math.round(values[index] ?? 0),
      0,
    );
    const rounding = 1e-6 * (1 + Math.abs(most));
    return isExact ? Math.abs(sum - most) <= rounding : sum <= most + rounding;
  });
}

/** The problem in the LP text format; lines are kept short because readers limit them. */
function asText({ gains, limits, upper }: WholeProblem, isWhole: boolean): string {
  const sum = (terms: readonly string[]) => terms.map((term, i) => (i > 0 && i % 20 === 0 ? `\n + ${term}` : i > 0 ? ` + ${term}` : term)).join(''); // prettier-ignore
  const used = gains.flatMap((gain, index) => (gain === 0 ? [] : [`${gain} x${index}`]));
  const rows = limits.filter(({ variables }) => variables.length > 0);
  return [
    'Maximize',
    ` gain: ${used.length > 0 ? sum(used) : '0 x0'}`,
    'Subject To',
    ...rows.map(({ variables, weights, most, isExact }, row) => ` c${row}: ${sum(variables.map((index, k) => `${weights?.[k] ?? 1} x${index}`))} ${isExact ? '=' : '<='} ${most}`), // prettier-ignore
    ...(rows.length === 0 ? [' c0: x0 <= 1'] : []),
    'Bounds',
    ...gains.map((_, index) => ` 0 <= x${index} <= ${upper?.[index] ?? 1}`),
    ...(isWhole ? ['General', ...gains.map((_, index) => ` x${index}`)] : []),
    'End',
  ].join('\n');
}
