/** How the code of a currency (ISO 4217) is formed. Browsers know new ones before servers do, so that no list decides. */
export const CURRENCY_CODE = /^[A-Z]{3}$/;

/** “£4.50”, with as many decimals as the currency has; “4.50” where nobody said in what. */
export function formatMoney(amount: number, currency: string): string {
  return currency === '' ? amount.toFixed(2) : formatter(currency).format(amount);
}

/** The same for where the currency is told beside it: “1234.50”. */
export function plainMoney(amount: number, currency: string): string {
  return amount.toFixed(currency === '' ? 2 : formatter(currency).resolvedOptions().maximumFractionDigits);
}

/** What stands before or behind an amount: “£”; empty where nobody said in what. */
export function signOf(currency: string): string {
  if (currency === '') return '';
  return formatter(currency).formatToParts(0).find(({ type }) => type === 'currency')?.value ?? currency;
} // prettier-ignore

const formatter = (currency: string) => new Intl.NumberFormat('en-GB', { style: 'currency', currency, currencyDisplay: 'narrowSymbol' }); // prettier-ignore
