/** The disk took no more (POSIX ENOSPC; PostgreSQL 53100). */
export const isDiskFull = ({
  code,
  message,
}: {
  readonly code?: string;
  readonly message: string;
}): boolean => code === '53100' || code === 'ENOSPC' || /no space left|disk full/i.test(message);
