import type { Database } from '../../db/database';
import { haveListRows } from '../../db/list-rows';

/** Makes the rows of a site's pictures anew where they are behind. To be awaited before `picture_rows` is read. */
export const havePictureRows = (db: Database, siteId: number): Promise<void> =>
  haveListRows(db, siteId, { list: 'pictures', table: 'picture_rows', make: MAKE });

/** The file that stands for a picture is the greatest of three numbers: sorting each group takes longer than all the rest. */
const MAKE = `
  insert into picture_rows (site_id, key, file_id, picture_id, path, title, is_there, size_bytes, files, places, uses, undescribed, reach,
    overdue, taken_until, is_placeholder, belief, is_changed)
  select $1, g.key, m.id, m.picture_id, m.path, p.title, m.sha256 is not null or m.problem is not null, m.size_bytes, g.files, g.places, g.uses, g.undescribed, g.reach,
    coalesce(p.overdue, 0), p.taken_until, coalesce(p.is_placeholder, false), coalesce(p.placeholder_belief, 0), p.changed is not null
  from (
    select coalesce(f.picture_id, -f.id) as key, count(*)::int as files, sum(f.places)::int as places, sum(f.uses)::int as uses,
      sum(f.undescribed)::int as undescribed, sum(f.reach) as reach, -(max(array[f.is_master::int, f.places, -f.id]))[3] as master
    from files f where f.site_id = $1 and f.gone_in is null group by 1
  ) g join files m on m.id = g.master left join pictures p on p.id = m.picture_id`;
