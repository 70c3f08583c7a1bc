-- Long texts and contents, under the names that the migrations have for them.
create domain clob as text;
create domain blob as bytea;
