insert into scenario (plan_id, id, position, content_version, content) values (':plan', 'late', 1, 1,
  '{"id":"late","name":"Late shops","note":"","standsOn":[],"changes":[{"id":"c1","target":{"kind":"line","line":"sales"},"act":{"kind":"paid-later","days":12},"note":"","on":true}],"putBy":false}');
