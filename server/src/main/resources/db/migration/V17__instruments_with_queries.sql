-- One instrument is one host and port with all that it is asked; it was a record for each query. Those of one host and port
-- become the queries of the first of them by name, and what two of them asked alike stays once.
with parted as (
    select id,
           lower(name) as sorted,
           body ->> 'host' as host,
           body ->> 'port' as port,
           body ->> 'meter' as meter,
           body ->> 'role' as role,
           jsonb_build_object('query', body -> 'query', 'factor', body -> 'factor', 'meter', body -> 'meter', 'role', body -> 'role') as query,
           body
    from equipment
    where body ->> 'kind' = 'instrument' and body ?& array['host', 'port', 'query', 'factor', 'meter', 'role', 'pollS', 'timeoutS']
),
once as (
    select distinct on (host, port, meter, role) * from parted order by host, port, meter, role, sorted
),
asked as (
    select host,
           port,
           jsonb_agg(query order by sorted) as queries,
           min((body ->> 'pollS')::double precision) as poll_s,
           max((body ->> 'timeoutS')::double precision) as timeout_s
    from once
    group by host, port
),
first as (
    select distinct on (host, port) id, host, port from parted order by host, port, sorted
),
gone as (
    delete from equipment where id in (select id from parted) and id not in (select id from first)
)
update equipment
set body     = (equipment.body - 'query' - 'factor' - 'meter' - 'role')
               || jsonb_build_object('queries', asked.queries, 'pollS', asked.poll_s, 'timeoutS', asked.timeout_s),
    revision = equipment.revision + 1
from first
join asked using (host, port)
where equipment.id = first.id;
