/** A number with the thing that it counts, in one or many: “1 paper”, “3 papers”, “2 half blocks”. */
export function counted(number: number, one: string, many = `${one}s`): string {
  return `${number} ${number === 1 ? one : many}`;
}
