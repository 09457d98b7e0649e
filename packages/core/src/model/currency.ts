/**
 * Currencies by their alphabetic code, ISO 4217:2015, list one (active codes), as of 2024, from memory; a test holds it against what
 * the runtime's own Unicode data knows. XXX stands for no currency: a shop whose setting could not be read.
 */
import { z } from 'zod';

const CODES =
  'AED AFN ALL AMD AOA ARS AUD AWG AZN BAM BBD BDT BGN BHD BIF BMD BND BOB BRL BSD BTN BWP BYN BZD CAD CDF CHF CLP CNY COP CRC ' +
  'CUP CVE CZK DJF DKK DOP DZD EGP ERN ETB EUR FJD FKP GBP GEL GHS GIP GMD GNF GTQ GYD HKD HNL HTG HUF IDR ILS INR IQD IRR ISK ' +
  'JMD JOD JPY KES KGS KHR KMF KPW KRW KWD KYD KZT LAK LBP LKR LRD LSL LYD MAD MDL MGA MKD MMK MNT MOP MRU MUR MVR MWK MXN MYR ' +
  'MZN NAD NGN NIO NOK NPR NZD OMR PAB PEN PGK PHP PKR PLN PYG QAR RON RSD RUB RWF SAR SBD SCR SDG SEK SGD SHP SLE SOS SRD SSP ' +
  'STN SVC SYP SZL THB TJS TMT TND TOP TRY TTD TWD TZS UAH UGX USD UYU UZS VED VES VND VUV WST XAF XCD XOF XPF YER ZAR ZMW ZWG';

export const NO_CURRENCY = 'XXX';
export const CURRENCIES: readonly string[] = CODES.split(' ');

const known = new Set([...CURRENCIES, NO_CURRENCY]);

export function isCurrency(code: unknown): boolean {
  return typeof code === 'string' && known.has(code);
}

export const currencySchema = z
  .string()
  .refine(isCurrency, 'Type a currency by its three capital letters (ISO 4217), such as EUR.');
