import { dayAt, dayWords } from '@/core/calendar';
import { orderOf, plainMoney, sayAmount, sayThing, sayToBuy } from '@/core/order';
import { counted } from '@/core/words';
import { readKeptCalendar } from '../calendar';
import type { Sql } from '../database';
import { offThread } from '../pool';
import type { Project } from '../projects';
import { orderFacts, wantedOf } from './wantedOrder';

/** The order as it stands, and how each bolt is cut up, as a PDF. @param signal ends the work when whoever asked for it leaves */
export async function orderPdf(sql: Sql, project: Project, signal: AbortSignal): Promise<Buffer> {
  const [facts, { calendar }] = await Promise.all([orderFacts(sql, project), readKeptCalendar(sql, project)]);
  const { order: plan } = facts.kept;
  const order = orderOf(wantedOf(facts));
  const system = project.unitSystem;
  const money = (value: number) => (value > 0 ? plainMoney(value, plan.currency) : '');
  const sheets = {
    title: `${project.name}: the order`,
    says: `${dayWords(dayAt(Date.now(), calendar.timeZone))}, for ${counted(order.sets, 'set')}; cloth is counted for bags that are not packed yet.`,
    total: money(order.toPay.all),
    currency: plan.currency,
    lines: order.lines.map((line) => ({
      thing: sayThing(line),
      needed: sayAmount(line, line.needed, system),
      stock: line.stock > 0 ? sayAmount(line, line.stock, system) : '',
      buy: sayToBuy(line, system),
      cost: money(line.cost),
      supplier: plan.suppliers[line.key] ?? '',
    })),
    bolts: order.bolts,
  };
  return Buffer.from(await offThread('printOrder', { sheets, system, size: project.pageSize }, signal));
}
