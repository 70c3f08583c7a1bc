update plan set archived = true where id = ':plan';
