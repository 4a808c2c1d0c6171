import { ScannerStandIn } from '@/features/bags/ScannerStandIn';
import { loadTableBags } from '../tableBags';

export const metadata = { title: 'Scanner stand-in' };

export default async function ScannerPage({ params }: { params: Promise<{ project: string }> }) {
  const { project } = await params;
  const bags = await loadTableBags(project);
  return (
    <ScannerStandIn
      bags={bags.map(({ blockId, makerId, block, maker }) => ({ blockId, makerId, block, maker }))}
    />
  );
}
