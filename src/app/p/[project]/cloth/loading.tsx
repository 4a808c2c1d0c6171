import { Notice } from '@/ui/Notice';

export default function Loading() {
  return <Notice title="One moment">The figures are being worked out.</Notice>;
}
