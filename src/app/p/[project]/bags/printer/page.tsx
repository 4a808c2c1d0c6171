import { PrinterStandIn } from '@/features/bags/PrinterStandIn';
import { loadProject } from '../../load';

export const metadata = { title: 'Label printer stand-in' };

export default async function PrinterPage({ params }: { params: Promise<{ project: string }> }) {
  await loadProject((await params).project);
  return <PrinterStandIn />;
}
