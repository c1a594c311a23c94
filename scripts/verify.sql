-- Every place at which a log is not as the application wrote it. Expects a table heads (job_id, sequence, hash) with what was written down
-- elsewhere; it may be empty. The formula stands here once more, so that nothing of the database is believed that could have been changed.
with recomputed as (
    select e.*,
           lag(e.hash) over log as hash_before,
           lag(e.sequence) over log as sequence_before,
           encode(sha256(convert_to(concat_ws(chr(31),
               e.previous_hash, e.id, e.job_id, e.sequence,
               (extract(epoch from e.log_entered_at) * 1000000)::bigint,
               coalesce((extract(epoch from e.log_taken_at) * 1000000)::bigint::text, ''),
               e.person_id, e.kind, e.body_version, e.catalogue_version, coalesce(e.spent_minutes::text, ''), e.body), 'UTF8')), 'hex') as hash_now
      from log_entry e
    window log as (partition by e.job_id order by e.sequence)
)
select format('job %s, entry %s (%s): not as it was written', job_id, sequence, kind) as finding
  from recomputed where hash <> hash_now
union all
select format('job %s, entry %s (%s): does not follow the entry before it', job_id, sequence, kind)
  from recomputed where previous_hash <> coalesce(hash_before, '')
union all
select format('job %s, entry %s: missing', job_id, coalesce(sequence_before, 0) + 1)
  from recomputed where sequence <> coalesce(sequence_before, 0) + 1
union all
select format('job %s, entry %s: what lies beside it is not as it was written', e.job_id, e.sequence)
  from log_entry e join entry_beside b on b.entry_id = e.id
 where e.body ->> 'beside' is distinct from encode(sha256(convert_to(b.salt || b.body::text, 'UTF8')), 'hex')
union all
select format('job %s, entry %s: what lay beside it is gone, and no entry says who erased it', e.job_id, e.sequence)
  from log_entry e
 where e.body -> 'beside' is not null
   and not exists (select 1 from entry_beside b where b.entry_id = e.id)
   and not exists (select 1 from log_entry x where x.job_id = e.job_id and x.kind = 'data-erased')
union all
select format('job %s, entry %s: was written down as %s… and is %s', h.job_id, h.sequence, left(h.hash, 12),
              coalesce(left(e.hash, 12) || '… now', 'gone'))
  from heads h left join log_entry e on e.job_id = h.job_id and e.sequence = h.sequence
 where e.hash is distinct from h.hash
 order by 1;
