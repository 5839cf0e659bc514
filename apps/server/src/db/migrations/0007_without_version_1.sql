-- What version 1 kept and version 2 says otherwise.
alter table device drop column output;
alter table device drop column logic;
alter table stamp drop column subject;
alter table stamp alter column fingerprint drop default;
alter table result drop column subject;
alter table result alter column fingerprint drop default;
