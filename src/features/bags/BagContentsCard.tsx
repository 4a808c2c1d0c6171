import Box from '@mui/material/Box';
import Paper from '@mui/material/Paper';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { formatLength } from '@/core/length';
import { timesWord } from '@/core/words';
import type { Project } from '@/server/projects';
import { FabricChip } from '@/ui/FabricChip';
import { Silhouette } from '@/ui/drawing';
import type { BagBlock } from './bagBlock';
import { InnerBagsList } from './InnerBagsList';

interface BagContentsCardProps {
  readonly block: BagBlock;
  readonly project: Pick<Project, 'unitSystem' | 'sparesPercent' | 'allowanceMm'>;
  readonly fabrics: readonly string[];
  /** Whether units that are made again come in inner bags. */
  readonly isInner?: boolean;
}

/** One bag opened: papers with spares, and cloth as cut sizes. */
export function BagContentsCard({ block, project, fabrics, isInner = false }: BagContentsCardProps) {
  const { unitSystem, sparesPercent, allowanceMm } = project;
  const size = (millimetres: number) => formatLength(millimetres, unitSystem);
  return (
    <Paper sx={{ p: 2 }} id={`bag-${block.id}`} component="section" aria-label={`Bag for ${block.name}`}>
      <Typography variant="h3" gutterBottom>
        {block.name}
      </Typography>
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' }, gap: 3 }}>
        <Box>
          <Typography color="textSecondary" gutterBottom>
            Papers, with {sparesPercent} % spares rounded up where nothing else is said
          </Typography>
          {block.bag.papers.map(({ kind, name, count, spares, left, right }) => (
            <Stack key={name} direction="row" spacing={1.5} sx={{ alignItems: 'center', py: 0.5 }}>
              <Silhouette outline={kind.outline} size={34} label={`Outline of ${name}`} />
              <Box>
                <strong>{count + spares}</strong> {timesWord(name)} {name}
                <Typography component="span" color="textSecondary">
                  {' '}
                  ({count} + {spares} spare{left + right > 0 ? `; wrap ${left} L, ${right} R` : ''})
                </Typography>
              </Box>
            </Stack>
          ))}
        </Box>
        <Box>
          <Typography color="textSecondary" gutterBottom>
            Cloth: narrowest strip round the paper, {size(allowanceMm)} allowance on every side, rounded up to{' '}
            {unitSystem === 'inch' ? '⅛″' : '5 mm'}
          </Typography>
          {block.bag.fabrics.map(({ fabric, cuts }) => (
            <Stack key={fabric} direction="row" spacing={1.5} sx={{ py: 0.5, alignItems: 'flex-start' }}>
              <FabricChip fabric={fabric} fabrics={fabrics} />
              <Box>
                <strong>{fabric}</strong>
                {cuts.map((cut) => (
                  <Box key={cut.kindName}>
                    <strong>{cut.count}</strong> of {size(cut.widthMm)} × {size(cut.lengthMm)}{' '}
                    <Typography component="span" color="textSecondary">
                      for {cut.kindName}
                      {cut.alongMm !== undefined && `, its ${size(cut.alongMm)} side along an edge`}
                      {cut.isOnPoint && ', turned on its point'}
                    </Typography>
                  </Box>
                ))}
              </Box>
            </Stack>
          ))}
        </Box>
      </Box>
      {isInner && block.inner && <InnerBagsList inner={block.inner} />}
      {block.bag.extras.length > 0 && (
        <Typography sx={{ mt: 1 }}>
          <strong>For its place in the top:</strong>{' '}
          {block.bag.extras
            .map((cut) => `${cut.count} × ${cut.kindName}, ${size(cut.widthMm)} × ${size(cut.lengthMm)} cut`)
            .join('; ')}
          .
        </Typography>
      )}
      {block.saved !== '' && (
        <Typography sx={{ mt: 1 }}>
          <strong>When it is done, save for later blocks:</strong> {block.saved}.
        </Typography>
      )}
    </Paper>
  );
}
