import Box from '@mui/material/Box';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import Link from 'next/link';

interface FirstHourProps {
  readonly projectId: string;
  readonly hasBlocks: boolean;
  readonly hasMakers: boolean;
  readonly hasPacked: boolean;
  readonly hasTicks: boolean;
}

/** The way from an empty project to the first tick of a maker; gone once it has been walked. */
export function FirstHour({ projectId, hasBlocks, hasMakers, hasPacked, hasTicks }: FirstHourProps) {
  const base = `/p/${projectId}`;
  const steps = [
    {
      isDone: hasBlocks,
      href: `${base}/blocks/new`,
      what: 'Bring in a drawing of a block',
      how: 'Any SVG of closed shapes at true size. No drawing? Make a block from figures, or build one by hand.',
    },
    {
      isDone: hasBlocks,
      href: `${base}/blocks`,
      what: 'Look at its papers and seams',
      how: 'Problems are ringed on the drawing; most are mended by one press. Name the cloths.',
    },
    {
      isDone: hasMakers,
      href: `${base}/makers`,
      what: 'Add the makers',
      how: 'A list of names is enough. Each gets a personal link: no account, no password.',
    },
    {
      isDone: hasPacked,
      href: `${base}/bags`,
      what: 'Print the pick list and pack the bags',
      how: 'One bag for each block and maker: papers, cloth, and a card.',
    },
    {
      isDone: hasTicks,
      href: `${base}/makers`,
      what: 'Hand out the links',
      how: 'The first tick of a maker appears here while you watch.',
    },
  ];
  if (steps.every(({ isDone }) => isDone)) return null;
  return (
    <Paper sx={{ p: 2, mb: 3 }}>
      <Typography variant="h2">The first hour</Typography>
      <Box component="ol" sx={{ pl: 3, mb: 0, '& li': { mb: 1 } }}>
        {steps.map(({ isDone, href, what, how }) => (
          <li key={what}>
            {isDone ? (
              <Typography component="span" color="textSecondary">
                {what}: done
              </Typography>
            ) : (
              <>
                <Link href={href}>{what}</Link>
                <Typography color="textSecondary">{how}</Typography>
              </>
            )}
          </li>
        ))}
      </Box>
    </Paper>
  );
}
