import Box from '@mui/material/Box';
import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import { useState } from 'react';
import type { Point } from '@/core/geometry';
import type { UnitSystem } from '@/core/length';
import { ArrangePanel } from './ArrangePanel';
import { ClothPanel } from './ClothPanel';
import { FiguresPanel } from './FiguresPanel';
import { ReportPanel } from './ReportPanel';
import type { WorkshopReport } from './useReport';
import type { Workshop } from './useWorkshop';

interface WorkshopSideProps {
  readonly shop: Workshop;
  readonly live: WorkshopReport;
  readonly numbers: ReadonlyMap<string, number>;
  readonly fabrics: readonly string[];
  readonly system: UnitSystem;
  /** Shows a place on the board. */
  readonly onLook: (at: Point) => void;
}

/** What lies beside the board: seams, cloth, arranging and figures. */
export function WorkshopSide({ shop, live, numbers, fabrics, system, onLook }: WorkshopSideProps) {
  const [tab, setTab] = useState(0);
  return (
    <Box sx={{ maxHeight: { md: 'calc(100vh - 260px)' }, overflowY: { md: 'auto' }, pr: 0.5 }}>
      <Tabs
        value={tab}
        onChange={(_, next: number) => setTab(next)}
        variant="fullWidth"
        aria-label="Beside the board"
        sx={{
          mb: 1.5,
          minHeight: 40,
          '& .MuiTab-root': { minHeight: 40, minWidth: 0, px: 0.5, textTransform: 'none' },
        }}
      >
        {['Seams', 'Cloth', 'Arrange', 'Figures'].map((label, index) => (
          <Tab key={label} label={label} id={`shop-tab-${index}`} aria-controls="shop-panel" />
        ))}
      </Tabs>
      <div role="tabpanel" id="shop-panel" aria-labelledby={`shop-tab-${tab}`}>
        {tab === 0 && (
          <ReportPanel
            live={live}
            numbers={numbers}
            system={system}
            onLook={onLook}
            onMend={({ document, label }) => {
              shop.edit(() => document, 'Mend');
              shop.setSaid(`${label}: done.`);
            }}
            onSnap={(document) => {
              shop.edit(() => document, 'Snap to papers');
              shop.setSaid('Snapped to papers of the catalogue.');
            }}
          />
        )}
        {tab === 1 && (
          <ClothPanel shop={shop} report={live.report} numbers={numbers} fabrics={fabrics} onLook={onLook} />
        )}
        {tab === 2 && <ArrangePanel shop={shop} report={live.report} />}
        {tab === 3 && <FiguresPanel shop={shop} system={system} />}
      </div>
    </Box>
  );
}
