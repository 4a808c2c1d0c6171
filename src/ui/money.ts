import { createContext, use } from 'react';
import { formatMoney, signOf } from '@/core/order';

/** What money is counted in on a page: a code of ISO 4217, empty where nobody said. */
export const CurrencyContext = createContext('');

/** The name of a price on this page, with what it is counted in: “Price of a pack, £”. */
export function usePriceLabel(): (label: string) => string {
  const sign = signOf(use(CurrencyContext));
  return (label) => (sign === '' ? label : `${label}, ${sign}`);
}

/** How amounts are told on this page. */
export function useMoney(): (amount: number) => string {
  const currency = use(CurrencyContext);
  return (amount) => formatMoney(amount, currency);
}
