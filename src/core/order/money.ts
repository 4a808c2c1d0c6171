/** Whether a text is the code of a currency (ISO 4217) that amounts can be told in. */
export function isCurrency(code: string): boolean {
  return /^[A-Z]{3}$/.test(code) && Intl.supportedValuesOf('currency').includes(code);
}

/** “£4.50”, with as many decimals as the currency has; “4.50” where nobody said in what. */
export function formatMoney(amount: number, currency: string): string {
  return currency === '' ? amount.toFixed(2) : formatter(currency).format(amount);
}

/** What stands before or behind an amount: “£”; empty where nobody said in what. */
export function signOf(currency: string): string {
  if (currency === '') return '';
  return formatter(currency).formatToParts(0).find(({ type }) => type === 'currency')?.value ?? currency;
} // prettier-ignore

const formatter = (currency: string) => new Intl.NumberFormat('en-GB', { style: 'currency', currency, currencyDisplay: 'narrowSymbol' }); // prettier-ignore
