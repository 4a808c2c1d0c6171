export { formatMinutes } from '@/core/words';
