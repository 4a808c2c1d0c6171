import Box from '@mui/material/Box';
import { Notice } from '@/ui/Notice';

/** A plain link: this page comes with every other, phones included, and the script of a quicker one would with it. */
export default function NotFound() {
  return (
    <Notice title="There is nothing here">
      The address may be mistyped, or belong to someone else’s project.{' '}
      <Box component="a" href="/">
        Go to your projects
      </Box>
      .
    </Notice>
  );
}
