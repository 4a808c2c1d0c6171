'use client';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import type { UnitSystem } from '@/core/length';
import type { BlockSheet } from '@/core/sheet';
import { asRefusal, send } from '@/ui/api';
import { BlockDrawing } from '@/ui/drawing';
import { useNotice } from '@/ui/Notices';
import { isInField } from '@/ui/isInField';
import { BlockName } from './BlockName';
import { SaveAs } from './SaveAs';
import { KindTable } from './KindTable';
import { ProblemList } from './ProblemList';
import { SeamReport } from './SeamReport';

interface BlockViewProps {
  readonly projectId: string;
  readonly block: { readonly id: string; readonly name: string; readonly revision: number };
  /** Whether it can be made again with other figures. */
  readonly isGenerated: boolean;
  /** Generators that made parts of it. */
  readonly made: readonly string[];
  readonly sheet: BlockSheet;
  readonly fabrics: readonly string[];
  readonly system: UnitSystem;
}

/** One block opened large: the drawing, its paper kinds and the seam report. */
export function BlockView({ projectId, block, isGenerated, made, sheet, fabrics, system }: BlockViewProps) {
  const [isFlipped, setIsFlipped] = useState(false);
  const [showTails, setShowTails] = useState(false);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (isInField(event) || event.ctrlKey || event.metaKey) return;
      if (event.key === 'f') setIsFlipped((is) => !is);
      if (event.key === 't') setShowTails((is) => !is);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  return (
    <Stack spacing={2}>
      <Stack direction="row" sx={{ justifyContent: 'space-between', flexWrap: 'wrap', gap: 1 }}>
        <BlockName projectId={projectId} block={block} />
        <BlockActions
          projectId={projectId}
          block={block}
          isGenerated={isGenerated}
          made={made}
          sheet={sheet}
        />
      </Stack>
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', lg: 'minmax(0, 1fr) 370px' }, gap: 2.5 }}>
        <Box>
          <BlockDrawing
            label={`Drawing of ${block.name}`}
            patches={sheet.patches}
            kindNames={sheet.kinds.map(({ name }) => name)}
            widthMm={sheet.widthMm}
            heightMm={sheet.heightMm}
            fabrics={fabrics}
            system={system}
            isFlipped={isFlipped}
            onFlip={() => setIsFlipped(!isFlipped)}
            showTails={showTails}
            marks={[...sheet.problems, ...sheet.violations].map(({ at, message }) => ({
              at,
              label: message,
            }))}
          />
          <Button
            size="small"
            variant="text"
            aria-pressed={showTails}
            onClick={() => setShowTails(!showTails)}
          >
            {showTails ? 'Hide tails (T)' : 'Show tails (T)'}
          </Button>
        </Box>
        <Stack spacing={2.5}>
          <Box>
            <Typography variant="h3" gutterBottom>
              Papers
            </Typography>
            <KindTable kinds={sheet.kinds} system={system} />
          </Box>
          <SeamReport sheet={sheet} system={system} />
          <Findings sheet={sheet} />
        </Stack>
      </Box>
    </Stack>
  );
}

/** Where a block can be opened, saved as and taken out. */
function BlockActions({
  projectId,
  block,
  isGenerated,
  made,
  sheet,
}: Omit<BlockViewProps, 'fabrics' | 'system'>) {
  const router = useRouter();
  const notice = useNotice();
  const setRemoved = (isRemoved: boolean) =>
    send('PATCH', `/api/projects/${projectId}/blocks/${block.id}`, { isRemoved });
  const remove = async () => {
    try {
      await setRemoved(true);
      notice({
        text: `${block.name} is taken out.`,
        undo: () =>
          setRemoved(false)
            .then(() => router.push(`/p/${projectId}/blocks/${block.id}`))
            .then(() => router.refresh()),
      });
      router.push(`/p/${projectId}/blocks`);
      router.refresh();
    } catch (error) {
      notice({ text: asRefusal(error).message });
    }
  };
  return (
    <Stack direction="row" sx={{ flexWrap: 'wrap', gap: 1 }}>
      <Button component={Link} href={`/p/${projectId}/blocks/${block.id}/workshop`}>
        Workshop
      </Button>
      {isGenerated && (
        <Button component={Link} href={`/p/${projectId}/blocks/${block.id}/remake`}>
          Change its figures
        </Button>
      )}
      <Button component={Link} href={`/p/${projectId}/order/${block.id}`}>
        Order of work
      </Button>
      <SaveAs
        projectId={projectId}
        blockId={block.id}
        kindNames={sheet.kinds.map(({ name }) => name)}
        made={made}
      />
      <Button color="error" onClick={remove}>
        Take out of the project
      </Button>
    </Stack>
  );
}

/** What is against the cloth rules, and what is wrong with the drawing. */
function Findings({ sheet }: { readonly sheet: BlockSheet }) {
  return (
    <>
      {sheet.violations.length > 0 && (
        <Alert severity="warning" variant="outlined" icon={false}>
          <strong>The cloth is not as the rules say.</strong>
          <Box component="ul" sx={{ pl: 2.5, my: 0.5 }}>
            {sheet.violations.slice(0, 12).map(({ message }, index) => (
              <li key={index}>{message}</li>
            ))}
          </Box>
        </Alert>
      )}
      {sheet.problems.length > 0 && (
        <Alert severity="warning" variant="outlined" icon={false}>
          <ProblemList problems={sheet.problems} patches={sheet.patches} />
        </Alert>
      )}
    </>
  );
}
