/** Questions to Kevlo as files, and their answers: read with care, refused with what, where and how to mend it. */
export { cut, cutResult, readCutRequest, type CutRequest } from './cut';
export { forecast, forecastResult, readForecastRequest, type ForecastRequest } from './forecast';
export { fussy, fussyResult, readFussyRequest, type FussyRequest } from './fussy';
export { readShareRequest, share, shareResult, type ShareRequest } from './share';
