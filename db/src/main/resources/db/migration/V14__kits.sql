-- How much goes into a priming chamber is the kit's to say, and how a gear is turned the machine's: no longer schools.
update shop set settings = settings #- '{schools,BULK_DOSES}' where settings -> 'schools' ? 'BULK_DOSES';
update shop set settings = settings #- '{schools,CARRIAGE}' where settings -> 'schools' ->> 'CARRIAGE' = 'gear';
update machine set schools = schools - 'BULK_DOSES' where schools ? 'BULK_DOSES';
update machine set schools = schools - 'CARRIAGE' where schools ->> 'CARRIAGE' = 'gear';
